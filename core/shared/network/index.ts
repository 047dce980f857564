export { inNetwork, planAddresses } from './address';
export { inRange, isRange, rangeSize, rangesIn, rangesText, type AddressRange } from './addressRange';
