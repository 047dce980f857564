export {
  settingsOf,
  streamRate,
  workedOutMbps,
  type RateSource,
  type StreamRate,
  type WholeSettings,
} from './streamRate';
export { storageOf, type Kept, type Storage } from './storage';
export { waysOut, type DiskOffer, type Streaming, type WayOut } from './waysOut';
export { activityWords, codecWords, keepingWords, rateWords, wayInWords } from './words';
