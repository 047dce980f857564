export {
  causeWords,
  diagnose,
  type Cause,
  type Diagnosis,
  type NextTest,
  type RankedCause,
} from './diagnosis';
export { faultsLossDb } from './faultsLoss';
export { feedSource, voltsAtLoad, voltsShare, type FeedSource } from './feed';
export { inferFeed, type FeedInference } from './feedInference';
export { formatCheck, type FormatCheck } from './formatCheck';
export { ghostLengthM } from './ghost';
export { comesFirst, heldBack, isStopped, stateFor, untilSafe } from './heldBack';
export { faultsFromEvents, lineOf, type FaultAt } from './lineModel';
export { inferCoaxLoop, inferPowerLoop, type LoopCause } from './loopInference';
export {
  coaxLoop,
  expectedPowerOhms,
  lengthFigure,
  lineKind,
  powerLoop,
  runLengthM,
  type LineKind,
  type Loop,
} from './loops';
export { extraPictureLossDb, pictureOver, type PictureResult } from './pictureVerdict';
export { readingsByRun, type RunReadings } from './readings';
export { readingWords } from './readingWords';
export { eventWords } from './reflectometerVerdict';
export { runFindings, verdictFigure, type RunFindings } from './runFindings';
export { testDefinition, tests, type HookUp, type TestDefinition } from './tests';
export {
  faultsOf,
  keptTrace,
  metresAtNs,
  nsAtMetres,
  runEvents,
  runVelocityFactor,
  segmentVelocityFactor,
  type NotedJoint,
  type RunEvent,
} from './traceEvents';
export { comparedCurve, traceView, type Curve, type TraceView } from './traceView';
export type { Verdict } from './verdict';
