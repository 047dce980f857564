export {
  agreementOf,
  type Agreement,
  type Kinship,
  type PredictedFigure,
  type SharedDifference,
} from './agreementOf';
