export { allocationOf } from './allocation';
export { agreePlan, planFrom } from './agreePlan';
export type { NightClock } from './nightClock';
export { cutoverOf, nightsFound, type Cutover, type CutoverPlan, type NightsFound } from './cutoverOf';
export { nightHelp, type NightHelp } from './nightHelp';
export { nightRulesOf } from './nightRulesOf';
export { nightsNow, tasksNow, type KnownChances, type NightNow, type NightsNow } from './nightsNow';
export { evaluateSite, type Before, type SiteEvaluation } from './evaluateSite';
export { hookUpOfCamera } from './hookUpOfCamera';
export { hookUpOfRun } from './hookUpOfRun';
export { morningPicture, type MorningPicture } from './morningPicture';
export { derivationOf, type Subject } from './derivationOf';
export { devicePlanAt } from './devicePlanAt';
export { moveTask, type Moved, type WantedPlace } from './moveTask';
export type { NetworkMoment } from './momentOf';
export { networkAt, type NetworkThen } from './networkAt';
export { doubtfulChoices, expectedByReadings } from './expectedByReadings';
export { savingOf, troubleOf } from './ranking';
export { agreementAt, signOffOf, type SignOff } from './signOffOf';
export { roomAt, type RoomPicture } from './roomAt';
export { runDiagnostics, type RunDiagnostics } from './runDiagnostics';
export { planSolver } from './planSolver';
export { readingsExpected } from './readingsExpected';
export { migrationOfSite, slotSite, type SlotProposal, type SlottingScope } from './slotAllocation';
export {
  applyPatch,
  boardPatch,
  detailsOf,
  initialPatch,
  summaryOf,
  summaryPatch,
  withDetails,
  type MarginSummary,
  type OptionSummary,
  type RunSummary,
  type SiteSummary,
  type SummaryDetails,
  type SummaryPatch,
  type VerdictSummary,
} from './summary';
export { unreadTraces, withoutReadings, withTracesPending, type UnreadTrace } from './unreadTraces';
export { roundOf, weighRound, type RoundAim, type SiteRound } from './roundOf';
export { unbelievedRuns, unweighedRuns } from './weighedTests';
