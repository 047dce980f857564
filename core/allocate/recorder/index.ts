export { allocate } from './allocate';
export { changeCost, changeRulesOf, ipInputsToday } from './changeCost';
export { migrationOf, type Migration, type Mover, type NightStep } from './migration';
export { moveInWords, movesOf, type Move } from './moves';
export { nightStepInWords } from './nightInWords';
export { recorderState, type RecorderState, type Slot } from './recorderState';
export { recordingOf, type Recording } from './recording';
export type { SlotAddress, SlotRequest, SlotWishes } from './slotRequest';
export { tryPlacement, tryRow } from './tryPlacement';
