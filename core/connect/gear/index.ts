export { boughtUnits } from './boughtUnits';
export { networkGearRows, newNetworkGear, type NewNetworkGear } from './newNetworkGear';
