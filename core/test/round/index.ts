export { planRound, type Round, type RoundTest } from './planRound';
