export {
  chanceOfFailing,
  gambleShare,
  mostWorthTesting,
  riskStatus,
  sampleScenarios,
  type Risk,
} from './sampleScenarios';
