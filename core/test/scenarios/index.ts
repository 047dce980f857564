export { coaxReachUnder, linkExtraDb, linkRateUnder } from './coaxLinkUnder';
export { pictureLossUnder } from './pictureUnder';
export { asKnown, bestCase, pessimistic, worstCase, type Scenario } from './scenario';
export {
  fadeDb,
  loadFactor,
  ohmsFactor,
  readFactor,
  routeFactor,
  steelChance,
  viewFactor,
  viewSpread,
} from './spreads';
export { loadVoltsUnder, voltsUnder, type FedCamera } from './voltsUnder';
