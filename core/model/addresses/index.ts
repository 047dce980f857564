export { keptRangeOf, keptRanges } from './keptRanges';
export { addressedCamera, claimantsOf, takenAddresses, type Addressed } from './takenAddresses';
