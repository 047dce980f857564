export {
  agreementOf,
  type Agreement,
  type Expected,
  type Kinship,
  type Outlier,
  type PredictedFigure,
  type SharedDifference,
} from './agreementOf';
