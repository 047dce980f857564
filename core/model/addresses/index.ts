export { addressedCamera, claimantsOf, takenAddresses, type Addressed } from './takenAddresses';
