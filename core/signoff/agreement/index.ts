export {
  agreementOf,
  type Agreement,
  type Kinship,
  type PredictedFigure,
  type SharedDifference,
} from './agreementOf';
export { expectedOfOption, type ExpectedMargin } from './expectedOfOption';
export { isMoved } from './movedBy';
export { differenceInWords, expectedInWords, expectedMarginInWords } from './words';
