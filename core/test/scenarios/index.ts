export { coaxReachUnder, linkExtraDb, linkRateUnder } from './coaxLinkUnder';
export { pictureLossUnder } from './pictureUnder';
export {
  asKnown,
  asNoted,
  bestCase,
  pessimistic,
  worstCase,
  type Deviations,
  type Scenario,
  type UnseenLine,
} from './scenario';
export { fadeDb, loadFactor, ohmsFactor, readFactor, routeFactor, viewFactor, viewSpread } from './spreads';
export { loadVoltsUnder, voltsUnder, type FedCamera } from './voltsUnder';
