export { symptomWords } from './symptomWords';
export { changesBetween, withChanges } from './changesBetween';
export { sameFacts } from './sameFacts';
export { choose, lockChoice, takeBackChoice, type ChoiceMade } from './choosing';
export { assumable, bodies, targetClasses, type Assumable, type Camera, type TargetClassId } from './camera';
export { asKind, cameraKinds, noteCamera, unseenCamera, type CameraKind } from './cameraKinds';
export {
  figureStances,
  goals,
  policyIds,
  usualDemands,
  demandsOf,
  type Demands,
  type Policies,
  type PolicyId,
} from './demands';
export { mostPinned, type Planned, type Proof } from './planned';
export { productKinds, productSchema, type Product, type ProductKind, type ProductOf } from './product';
export { type RadioPath } from './radioPath';
export {
  activities,
  codecs,
  type Activity,
  type Codec,
  type Keeping,
  type Stream,
  type StreamSettings,
} from './stream';
export { slottingOf, usualSlotting, type Slotting } from './slotting';
export { addressSchema, type Joining, type RecorderNetwork } from './joining';
export { optionKinds, type Choice, type OptionKind, type Placement } from './decision';
export {
  applyChanges,
  editSchema,
  logEntrySchema,
  overlap,
  removing,
  type Applied,
  type Change,
  type Edit,
  type LogEntry,
  type Nature,
} from './edit';
export {
  pictureTypes,
  pinnedKinds,
  type Drawing,
  type Photo,
  type PictureType,
  type Pin,
  type Route,
  type Spot,
} from './drawing';
export { gearKinds, type Equipment, type Gear, type GearKind, type HookUp } from './equipment';
export {
  monitorOutputs,
  slotCount,
  usualRules,
  withRulesOf,
  type Recorder,
  type SlotRules,
  type Supply,
} from './headEnd';
export { historyOf, type History } from './history';
export { freeId, freeName } from './freeId';
export { addEquipment, addRecorder, addSupply, type NewRecorder, type NewSupply } from './newHeadEnd';
export { addRun, addRunTo, feedFor, firstRun, nextNumber, unseenPlace, type NewRun } from './newRun';
export { notePlace, restrictions, type Place } from './place';
export {
  mostReading,
  mostSamples,
  quantityTestIds,
  swapTestIds,
  symptoms,
  testIds,
  tracedSchema,
  type ContinuityReading,
  type Found,
  type LinkReading,
  type PictureReading,
  type QuantityReading,
  type QuantityTestId,
  type Reading,
  type SwapReading,
  type SwapTestId,
  type Symptom,
  type TestId,
  type Traced,
  type TraceReading,
} from './reading';
export { markState, strikeOut, takeReading, type Taken } from './readingEdits';
export { referenceProblems } from './references';
export { removeRunAndCamera, removeThing, type Removal } from './removal';
export {
  joints,
  lengthSources,
  longestSegmentM,
  type Leg,
  type PowerFeed,
  type Run,
  type RunState,
  type Segment,
} from './run';
export {
  markedLength,
  withJoint,
  withMarks,
  withMeasured,
  withMeasuredEnd,
  withoutSegment,
  withPrint,
  withSegment,
  withSegmentAfter,
  withVelocityScaled,
} from './segments';
export {
  aboutOf,
  emptySite,
  factSchemas,
  kinds,
  siteIdSchema,
  type About,
  type Fact,
  type Kind,
  type Site,
} from './site';
export {
  attachedTo,
  fileLists,
  fromSiteFile,
  parseSiteFile,
  siteFileFormat,
  siteFileSchema,
  siteFileVersion,
  siteOfSound,
  toSiteFile,
  type AttachedFile,
  type SiteFile,
} from './siteFile';
export { environments, nameSchema, type Environment } from './vocabulary';
export { fedFrom, fedThrough, hasPowerCores } from './feeding';
export {
  disksText,
  forcedText,
  inputsText,
  parseDisks,
  parseForced,
  parseInputs,
  parsePresets,
  presetsText,
  type ReadList,
} from './headEndText';
export { noteRecorder } from './recorderEdits';
export { withFocal, withLens, withRange } from './lens';
export { thingName } from './thing';
export { withFields } from './withFields';
