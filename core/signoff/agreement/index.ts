export {
  agreementOf,
  type Agreement,
  type Kinship,
  type PredictedFigure,
  type SharedDifference,
} from './agreementOf';
export { expectedOfOption, type ExpectedMargin } from './expectedOfOption';
export { differenceInWords, expectedInWords, expectedMarginInWords } from './words';
