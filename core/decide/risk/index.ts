export {
  chanceOfFailing,
  sampleScenarios,
  gambleShare,
  mostWorthTesting,
  riskStanding,
  type Risk,
} from './futures';
