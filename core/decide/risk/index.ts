export {
  chanceOfFailing,
  drawFutures,
  gambleShare,
  mostWorthTesting,
  riskStanding,
  type Risk,
} from './futures';
