export { askedOf } from './askedOf';
export type { WhenDone } from './thingsAsked';
export type { AcceptanceLimit, AskedCheck, AskedThing } from './types';
