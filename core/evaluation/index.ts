export { chosenOption, type Allocation } from './allocation';
export type { RunEvaluation } from './evaluateRun';
export { evaluateSite, type SiteEvaluation } from './evaluateSite';
export { lightSite, workingOf, type LightFindings, type LightMargin, type LightOption, type LightPossible, type LightRun, type LightSite, type LightVerdict, type Subject } from './light';
