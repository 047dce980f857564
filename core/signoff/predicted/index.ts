export { deviationsBehind, type Deviation } from './deviations';
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
  type Known,
  type MeasuredMargin,
  type Predicted,
} from './predicted';
