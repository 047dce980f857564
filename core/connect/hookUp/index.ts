export { hookUpOf, type HookUpPair } from './hookUpOf';
export type { HookUp, HookUpLine, Span, Station } from './types';
