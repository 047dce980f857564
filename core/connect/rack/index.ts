export { heatDerivation } from './heatDerivation';
export { rackFront, type RackFront, type RackRow } from './rackFront';
