export { networkGearRows, newNetworkGear, type NewNetworkGear } from './newNetworkGear';
