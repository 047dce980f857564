export { deviationsBehind, type Deviation } from './deviations';
export {
  driverOf,
  intervalOf,
  isInside,
  isMeasured,
  predictedOf,
  sampledValues,
  type MeasuredMargin,
  type Predicted,
} from './predicted';
