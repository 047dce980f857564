export { cableOf, dataSheetSchema, lossFit, type DataSheet, type Laid } from './dataSheet';
export { conductorAreaMm2, conductorOhms, temperatureFactor } from './conductorResistance';
export { lengthBetweenMarks, parseMarks, readJacketPrint, type LengthMark } from './jacketPrint';
export { cableLabel, nearestAwg, powerCableLabel } from './labels';
export { coaxLoopOhms, loopOhms } from './loopResistance';
export { pathLossCoefficients, pathLossDb, type PathLossCoefficients, type Stretch } from './pathLoss';
export { lossText, parseLoss } from './lossText';
export { proposalFrom, saysInWords } from './printProposal';
export { waysToShareCores } from './shareCores';
export { gaugeSchema, materialSchema, type Conductor } from './gauge';
export {
  coaxCableIds,
  coaxCables,
  pairCables,
  powerCable,
  powerCableIds,
  powerCables,
  signalCable,
  signalCableIds,
} from './tables';
