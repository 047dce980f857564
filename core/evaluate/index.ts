export { allocationOf } from './allocation';
export { cutoverOf, type Cutover } from './cutoverOf';
export { evaluateSite, type Before, type SiteEvaluation } from './evaluateSite';
export { hookUpOfRun } from './hookUpOfRun';
export { networkAt, type NetworkMoment } from './networkAt';
export { savingOf, troubleOf } from './ranking';
export { roomAt, type RoomPicture } from './roomAt';
export { diagnosisInput, runDiagnostics, sharedBy, type RunDiagnostics } from './runDiagnostics';
export { planSolver } from './planSolver';
export { readingsExpected } from './readingsExpected';
export { migrationOfSite, slotSite, type SlotProposal, type SlottingScope } from './slotAllocation';
export {
  applyPatch,
  boardPatch,
  derivationOf,
  detailsOf,
  initialPatch,
  summaryOf,
  summaryPatch,
  withDetails,
  type MarginSummary,
  type OptionSummary,
  type RunSummary,
  type SiteSummary,
  type Subject,
  type SummaryDetails,
  type SummaryPatch,
  type VerdictSummary,
} from './summary';
export { unreadTraces, withoutReadings, withTracesPending, type UnreadTrace } from './unreadTraces';
export { roundOf, weighRound, type SiteRound } from './roundOf';
