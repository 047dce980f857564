export { inNetwork, planAddresses } from './address';
