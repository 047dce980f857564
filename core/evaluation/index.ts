export { chosenOption, type Allocation } from './allocation';
export type { RunEvaluation } from './evaluateRun';
export { evaluateSite, type SiteEvaluation } from './evaluateSite';
