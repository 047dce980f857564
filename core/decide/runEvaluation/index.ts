export { cablesKept } from './cablesKept';
export { chosenOption, feasibleOption } from './chosenOption';
export type { RunEvaluation } from './evaluateRun';
export { isGivenUp } from './isGivenUp';
export { evaluateRuns } from './evaluateRuns';
