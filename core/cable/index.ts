export {
  coaxCableIds,
  coaxCables,
  gaugeSchema,
  materialSchema,
  pairCables,
  powerCable,
  powerCableIds,
  powerCables,
  signalCable,
  signalCableIds,
  type CoaxCable,
  type Conductor,
  type Material,
  type PairCable,
  type PowerCable,
  type SignalCable,
} from './tables';
export { conductorAreaMm2, conductorOhms, temperatureFactor } from './conductorResistance';
export { cableLabel, nearestAwg, powerCableLabel } from './labels';
export { proposalFrom, saysInWords, type Proposal } from './printProposal';
export {
  lengthBetweenMarks,
  parseMarks,
  readJacketPrint,
  type JacketPrint,
  type LengthMark,
  type MarkedLength,
} from './jacketPrint';
export { waysToShareCores } from './shareCores';
export { coaxLoopOhms, loopOhms, type Cores } from './loopResistance';
export { pathLossCoefficients, pathLossDb, type PathLossCoefficients, type Stretch } from './pathLoss';
