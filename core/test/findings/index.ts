export { applies } from './applies';
export {
  dayLoad,
  heaterWatts,
  nightLoad,
  startUpLoad,
  wasSeenRunning,
  worstLoad,
  worstWatts,
} from './cameraLoads';
export { faultsLossDb } from './faultsLoss';
export { ampsBehind, leadOf, leadVolts, type Lead, type LeadSite, type LoadOf } from './sharedLead';
export { feedSource, floatVolts, voltsAtLoad, voltsShare, type FeedSource } from './feed';
export { inferFeed } from './feedInference';
export { formatCheck, notedAlike, type Agreement } from './formatCheck';
export { gearInLine } from './gearInLine';
export type { LineCondition } from './lineCondition';
export { lineConditions, type LineUse } from './lineConditions';
export { hasCladPairs, pairLengthFigure, pairStretches } from './pairStretches';
export { ghostLengthM } from './ghost';
export { insulationState } from './insulation';
export { isStopped, realAcVolts } from './foreignVolts';
export { interlock, looksForVolts, needsVoltsFirst, prerequisites, stateFor, untilSafe } from './interlock';
export { lineOf, type FaultAt } from './lineModel';
export { mismatchLossDb } from './mismatchLoss';
export { inferCoaxLoop, inferPowerLoop, otherCoaxLoops, otherPowerLoops } from './loopInference';
export {
  coaxLoop,
  coldPowerOhms,
  expectedCoaxOhms,
  expectedPowerOhms,
  lengthFigure,
  lineKind,
  powerLoop,
  type LineKind,
  type Loop,
} from './loops';
export { extraPictureLossDb, pictureOver } from './pictureVerdict';
export { eventWords, severity } from './reflectometerVerdict';
export { requiredTests, runFindings, type RunFindings } from './runFindings';
export {
  faultsOf,
  isTraceRead,
  foundOn,
  keepFound,
  keptTrace,
  readTrace,
  traceTaskOf,
  type TraceTask,
  nsAtMetres,
  runEvents,
  runVelocityFactor,
  segmentVelocityFactor,
  type RunEvent,
} from './traceEvents';
export { comparedCurve, traceView, type TraceView } from './traceView';
export type { Verdict } from './verdict';
export { verdictFigure } from './verdictFigure';
export { touchLimits, type TouchLimits } from './touchLimits';
