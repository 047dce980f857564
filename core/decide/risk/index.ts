export {
  chanceOfFailing,
  gambleShare,
  mostWorthTesting,
  riskStanding,
  sampleScenarios,
  type Risk,
} from './sampleScenarios';
