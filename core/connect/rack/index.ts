export { rackFront, type RackFront, type RackRow } from './rackFront';
