export {
  chanceOfFailing,
  drawFailures,
  gambleShare,
  mostWorthTesting,
  riskStatus,
  sampleScenarios,
  type DrawnCamera,
  type Risk,
} from './sampleScenarios';
