export {
  chanceOfFailing,
  drawFailures,
  gambleShare,
  mostWorthTesting,
  riskStatus,
  sampleScenarios,
  type CameraRisk,
  type DrawnCamera,
  type Risk,
} from './sampleScenarios';
export { worthOfTesting, type WorthOfTesting } from './worthOfTesting';
