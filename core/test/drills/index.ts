export { answerAfter, bestPath, diagnosisOf, fixedOrder } from './bestPath';
export { debriefOf, type Debrief } from './debrief';
export { authoredDrills } from './authored';
export { drillCode, generateDrill, readDrillCode } from './generate';
export { causesOf } from './causesOf';
export { evenChances, withChance } from './chances';
export { foundWords } from './foundWords';
export { checkDrill } from './checkDrill';
export { decisions } from './decisions';
export { drillFormat, drillLevels, drillWays, type Drill, type DrillLevel } from './drill';
export { drillTests } from './readIn';
export {
  drillMoveSchema,
  minutesOf,
  newPlay,
  played,
  replayed,
  testsAtHand,
  type DrillMove,
  type DrillPlay,
} from './play';
export { drillRunId } from './ground';
export {
  drillResultSchema,
  joinedResults,
  levelReached,
  othersAt,
  progressOf,
  reliability,
  resultOf,
  resultsCsv,
  resultsMissing,
  type DrillResult,
} from './results';
export { answerProblems, mostOf, scoreOf, scoreParts, type Answer } from './score';
export { trueWords } from './trueWords';
export { worthOfSteps } from './worth';
