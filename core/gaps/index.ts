export { fieldKey, type Gap, type GapTarget, type RunField } from './gap';
export { runGaps } from './runGaps';
export { siteGaps } from './siteGaps';
