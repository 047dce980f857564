export {
  addressedCamera,
  claimantsOf,
  keptRangeOf,
  keptRanges,
  takenAddresses,
  type Addressed,
} from './takenAddresses';
