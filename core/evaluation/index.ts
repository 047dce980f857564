export { insightOf, type Insight } from './insightOf';
export { chosenOption, type Allocation } from './allocation';
export type { RunEvaluation } from './evaluateRun';
export { savingOf, troubleOf } from './ranking';
export { evaluateSite, type Before, type SiteEvaluation } from './evaluateSite';
export {
  firstNews,
  lightNews,
  lightSite,
  detailsOf,
  withDetails,
  withNews,
  workingOf,
  type LightNews,
  type LightFindings,
  type LightMargin,
  type LightOption,
  type LightDetails,
  type LightPossible,
  type LightRun,
  type LightSite,
  type LightVerdict,
  type Subject,
} from './light';
export { migrationOfSite, slotSite, type SlotProposal, type SlottingScope } from './slotting';
