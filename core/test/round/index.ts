export { planRound, type Round, type RoundTest } from './planRound';
export { roundOnDrawing, type RoundOnDrawing } from './roundOnDrawing';
