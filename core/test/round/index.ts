export { planRound, type Round } from './planRound';
export { roundTestOf, type WeighedTest } from './roundTestOf';
export { believeRun, weighRun, type BelievedRun, type RunToWeigh } from './weighRun';
export { roundOnDrawing, type RoundOnDrawing } from './roundOnDrawing';
