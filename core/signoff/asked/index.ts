export { askedOf } from './askedOf';
export type { AcceptanceLimit, AskedCheck, AskedThing } from './types';
