export {
  asKnown,
  loadSpread,
  lossSpread,
  ohmsFactor,
  pessimistic,
  readSpread,
  unseenDb,
  type Future,
} from './future';
export {
  chanceOfFailing,
  drawFutures,
  gambleShare,
  mostWorthTesting,
  riskStanding,
  type Risk,
} from './futures';
