export { drawScenario } from './drawScenario';
export { anyLine, optionLines, type OptionLine } from './optionLine';
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
export { savingTests, type SavingTest } from './savingTests';
export { worthOfTesting, type WorthOfTesting } from './worthOfTesting';
