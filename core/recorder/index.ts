export { autoFill, type Filled } from './autoFill';
export { recorderState } from './recorderState';
export type { BrokenRule, Occupant, RecorderState, RuleId, Slot, SlotNeed } from './slots';
export { rulesInWords } from './rulesInWords';
export { tryPlacement } from './tryPlacement';
