export { hookUpLayout, hookUpSizes } from './hookUpLayout';
export { hookUpOf, type HookUpPair } from './hookUpOf';
export { hookUpOnNetwork } from './hookUpOnNetwork';
export type { HookUp, HookUpLine, HookUps } from './types';
