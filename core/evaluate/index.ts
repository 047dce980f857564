export { allocationOf } from './allocation';
export { evaluateSite, type Before, type SiteEvaluation } from './evaluateSite';
export { insightOf, type Insight } from './insightOf';
export {
  detailsOf,
  firstNews,
  lightNews,
  lightSite,
  withDetails,
  withNews,
  workingOf,
  type LightDetails,
  type LightMargin,
  type LightNews,
  type LightOption,
  type LightRun,
  type LightSite,
  type LightVerdict,
  type Subject,
} from './light';
export { savingOf, troubleOf } from './ranking';
export { migrationOfSite, slotSite, type SlotProposal, type SlottingScope } from './slotting';
