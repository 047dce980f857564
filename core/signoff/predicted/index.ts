export { deviationsBehind, type Deviation } from './deviations';
export { meetsBounds, type FigureBounds, type Meets } from './meets';
export {
  driverOf,
  intervalOf,
  isInside,
  isMeasured,
  predictedOf,
  quantile,
  sampledUtilisations,
  sampledValues,
  type Driver,
  type Foretold,
  type Known,
  type MeasuredMargin,
  type Predicted,
} from './predicted';
