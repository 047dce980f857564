export {
  signatureSchema,
  signatureSize,
  signerRoles,
  type Acceptance,
  type Signature,
  type SignerRole,
} from './acceptance';
export { acceptanceCheckOf, acceptanceChecks, type AcceptanceCheckId } from './acceptanceChecks';
export {
  policyFigureIds,
  policyFigures,
  policyFiguresOf,
  type PolicyFigureId,
  type PolicyFigures,
} from './acceptancePolicy';
export {
  acceptedThingSchema,
  type AcceptanceFound,
  type AcceptanceReading,
  type AcceptedThing,
  type Occasion,
  type Soak,
} from './acceptanceReading';
export { punchSeverities, type PunchItem, type PunchSeverity } from './punchItem';
export {
  accept,
  closePunchItem,
  notePunchItem,
  readForAcceptance,
  setPolicyFigure,
  strikeAcceptanceReading,
  withdrawAcceptance,
} from './signOffEdits';
export {
  allocationSettingsOf,
  camerasPerNight,
  usualAllocationSettings,
  type AllocationSettings,
} from './allocationSettings';
export {
  assumable,
  bodies,
  sentToday,
  targetClasses,
  type Assumable,
  type Camera,
  type SeenFrom,
  type TargetClassId,
} from './camera';
export { asKind, cameraKinds, noteCamera, noteWatts, placeholderCamera } from './cameraKinds';
export { carriesIpToday } from './carriesIpToday';
export { removing, type Change, type FactUpdate } from './change';
export { changesBetween, withChanges } from './changesBetween';
export { noteConstruction, removeConstruction, withCable } from './constructions';
export { choose, lockChoice, takeBackChoice } from './choosing';
export { skills, type CrewMember, type Skill } from './crew';
export {
  clockSchema,
  hoursText,
  parseHours,
  type Hours,
  cutoverSettingsId,
  cutoverSettingsOf,
  dateSchema,
  type CutoverSettings,
} from './cutoverSettings';
export type { Choice, Placement } from './decision';
export { gateIdOf, gates, type GateName, type GateRecord } from './gateRecord';
export { mostNightJobs, type PlannedNightFact } from './plannedNight';
export { answerGate, beginTask, checkGate, checkTask, endTask, noteTrouble, tickTask } from './taskEdits';
export { lastTries, type TaskEnding, type TaskTry } from './taskTry';
export type { TaskSetting } from './taskSetting';
export { ownTaskTimes, type OwnTask } from './ownTask';
export type { ViewRule } from './viewRule';
export { agreeNights, noteViewRule, removeCrewMember, setCutover, settingTask } from './nightEdits';
export {
  marginClasses,
  offerSettingsId,
  offerSettingsOf,
  type GivenOffer,
  type MarginClass,
  type OfferSettings,
} from './offerSettings';
export { keepsView, hasOwnCamera, optionKinds, optionRow, type OptionKind } from './optionKinds';
export { demandsOf, usualDemands, type Demands, type Policies, type PolicyId } from './demands';
export {
  pictureTypes,
  type Drawing,
  type Photo,
  type PictureSubject,
  type PhotoMark,
  type PictureType,
  type Pin,
  type Route,
  type Spot,
  photoSchema,
} from './drawing';
export {
  applyChanges,
  editSchema,
  logEntrySchema,
  type Edit,
  type EditOperation,
  type LogEntry,
} from './edit';
export {
  gearKinds,
  isNetworkGear,
  networkGearKinds,
  type Equipment,
  type Gear,
  type GearKind,
  type HookUp,
  type NetworkGearKind,
} from './equipment';
export { firmSchema, type Firm } from './firm';
export { fedFrom, fedThrough, hasPowerCores, usualLead, withAdapter, withSeparatePair } from './feeding';
export { freeId, freeName } from './freeId';
export { instantSchema } from './vocabulary';
export { monitorOutputs, type Recorder, type Supply } from './headEnd';
export {
  disksText,
  forcedText,
  inputsText,
  parseDisks,
  parseForced,
  parseInputs,
  parsePresets,
  presetsText,
} from './headEndText';
export { historyOf } from './history';
export { mergeChanges, renamedIn, type Clash } from './mergeFacts';
export { gearAt, withGear, withGearAt } from './inLineEdits';
export {
  inLineGear,
  inLineGearKinds,
  inLinePositions,
  type InLineAt,
  type InLineGear,
  type InLineGearKind,
} from './inLineGear';
export { withFocal, withLens, withRange } from './lens';
export {
  addressSchema,
  hardwareAddressSchema,
  type NetworkConfig,
  type RecorderNetwork,
} from './networkConfig';
export { addEquipment, addRecorder, addSupply, type NewRecorder, type NewSupply } from './newHeadEnd';
export { addRun, addRunTo, firstRun, nextNumber, placeNamed, unseenPlace, type LinePart } from './newRun';
export { fireClasses, notePlace, restrictions, withFireClass, type FireClass, type Place } from './place';
export { productKinds, productSchema, type Product, type ProductKind, type ProductOf } from './product';
export type { RadioPath } from './radioPath';
export { linkMedia, usualLinkMbps, type Link, type LinkEnd, type LinkMedium } from './link';
export {
  conductorsFree,
  conductorsOf,
  leaveSheaths,
  segmentsAlike,
  shareCable,
  sharersByRun,
  sheathAt,
} from './sharedCable';
export type { SheathMember } from './sheath';
export { mostTroublesFound, troubles, type Mending, type Trouble } from './mending';
export { noteMending } from './mendingEdits';
export { camerasNumbered } from './monitorTiles';
export { baudRates, type Telemetry } from './telemetry';
export { isToBeHung, leadMedia, type NetworkCamera } from './networkCamera';
export { addNetworkCamera, type NewNetworkCamera } from './newNetworkCamera';
export {
  mostReading,
  mostSamples,
  type ContinuityReading,
  type WireMap,
  type WireMapReading,
  wireMaps,
  type Found,
  type LinkReading,
  type PictureReading,
  type QuantityReading,
  type Reading,
  type SwapReading,
  type SwapTestId,
  type TraceReading,
  type Traced,
} from './reading';
export { markState, strikeOut, takeReading } from './readingEdits';
export { noteRecorder } from './recorderEdits';
export { removeNetworkCamera, removeOwnTask, removeRunAndCamera, removeThing, type Removal } from './removal';
export {
  joints,
  type Joint,
  lengthSources,
  longestSegmentM,
  type Leg,
  type PowerFeed,
  type PowerLead,
  type Run,
  runStates,
  type RunState,
  type AssumableOfSegment,
  type Segment,
} from './run';
export { sameFacts } from './sameFacts';
export { mostPinned, type Proof, type SavedPlan } from './savedPlan';
export {
  markedLength,
  withJoint,
  withMarks,
  withMeasured,
  withMeasuredEnd,
  withPrint,
  withSegment,
  withSegmentWords,
  withSegmentAfter,
  withVelocityScaled,
  withoutSegment,
} from './segments';
export { runLengthM } from './runLength';
export {
  aboutOf,
  areaOf,
  emptySite,
  kinds,
  namesItself,
  siteIdSchema,
  type About,
  type Area,
  type Fact,
  type Kind,
  type Site,
} from './site';
export {
  attachedTo,
  fromSiteFile,
  parseSiteFile,
  siteFileFormat,
  siteFileSchema,
  siteFileVersion,
  siteFromTrusted,
  toSiteFile,
  type AttachedFile,
  type SiteFile,
} from './siteFile';
export {
  activities,
  codecs,
  type Activity,
  type Codec,
  type Keeping,
  type Stream,
  type StreamSettings,
} from './stream';
export { symptomWords } from './symptomWords';
export { thingName } from './thing';
export { environments, idSchema, nameSchema, type Environment } from './vocabulary';
export { setAllocationSettings } from './setAllocationSettings';
export { upgradeEntry, upgradeStoredFact } from './upgrade';
export { withFields } from './withFields';
export { limitsOf } from './limits';
export {
  quantityTestIds,
  quantityTests,
  testDefinition,
  testIds,
  tests,
  type LimitedTestId,
  type QuantityTestDefinition,
  type QuantityTestId,
  type TestDefinition,
  type TestHookUp,
  type TestId,
} from './tests';
