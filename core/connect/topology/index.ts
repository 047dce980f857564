export { alternativesFor } from './alternatives';
export { networkOf, type Network } from './network';
export type { Moment } from './topologyOf';
export type { CameraEnd, Device, Medium, Topology, TopologyLink } from './types';
