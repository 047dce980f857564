export {
  agreementOf,
  type Agreement,
  type Expected,
  type Kinship,
  type PredictedFigure,
  type SharedDifference,
} from './agreementOf';
