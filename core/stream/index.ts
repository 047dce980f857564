export { settingsOf, streamRate, usualStream, workedOutMbps, type RateSource, type StreamRate, type WholeSettings } from './streamRate';
export { gigabytesADay, keptShare, storageOf, usableShare, type Kept, type Storage } from './storage';
export { waysOut, type DiskOffer, type Streaming, type WayOut } from './waysOut';
export { activityWords, codecWords, keepingWords, rateWords, wayInWords } from './words';
