export { allocationOf } from './allocation';
export { evaluateSite, type Before, type SiteEvaluation } from './evaluateSite';
export { runDiagnostics, type RunDiagnostics } from './insightOf';
export {
  detailsOf,
  initialPatch,
  summaryPatch,
  summaryOf,
  withDetails,
  applyPatch,
  derivationOf,
  type SummaryDetails,
  type MarginSummary,
  type SummaryPatch,
  type OptionSummary,
  type RunSummary,
  type SiteSummary,
  type VerdictSummary,
  type Subject,
} from './light';
export { savingOf, troubleOf } from './ranking';
export { migrationOfSite, slotSite, type SlotProposal, type SlottingScope } from './slotting';
