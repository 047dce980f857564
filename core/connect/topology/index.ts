export { unitName } from './devicesOf';
export { loadDerivation, type LoadSubject } from './loadDerivation';
export { mediumWords } from './mediumWords';
export { leadsTo, moveChanges, movesFor, type Move } from './move';
export { partSheet, type NetworkPart } from './partSheet';
export { networkOf, type Network } from './network';
export { isMoved, type Moment } from './moment';
export { topologyOf } from './topologyOf';
export type { CameraEnd, Device, Medium, Topology, TopologyLink } from './types';
