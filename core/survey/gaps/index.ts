export { camerasWithoutRun } from './camerasWithoutRun';
export { assumedFacts } from './assumedFacts';
export { fieldKey, type Gap } from './gap';
export { runGaps } from './runGaps';
export { siteGaps } from './siteGaps';
