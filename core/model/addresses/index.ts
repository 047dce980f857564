export { addressedCamera, takenAddresses, type Addressed } from './takenAddresses';
