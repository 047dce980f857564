export { cablesKept } from './cablesKept';
export { chosenOption } from './chosenOption';
export type { RunEvaluation } from './evaluateRun';
export { evaluateRuns } from './evaluateRuns';
