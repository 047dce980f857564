export { networkOf, type Network } from './network';
export type { Moment } from './topologyOf';
export type {
  CameraEnd,
  Device,
  DeviceLoad,
  Failure,
  LinkLoad,
  Medium,
  Topology,
  TopologyFinding,
  TopologyLink,
} from './types';
