export { hookUpLayout, hookUpSizes } from './hookUpLayout';
export { hookUpOf, type HookUpPair } from './hookUpOf';
export type { HookUp, HookUpLine } from './types';
