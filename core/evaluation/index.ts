export { chosenOption, type Allocation } from './allocation';
export type { RunEvaluation } from './evaluateRun';
export { evaluateSite, type Before, type SiteEvaluation } from './evaluateSite';
export { lightNews, lightSite, withNews, workingOf, type LightNews, type LightFindings, type LightMargin, type LightOption, type LightPossible, type LightRun, type LightSite, type LightVerdict, type Subject } from './light';
