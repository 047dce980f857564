export { storageOf, type Kept, type Storage } from './storage';
export { waysOut, type Streaming, type WayOut } from './waysOut';
export { activityWords, codecWords, keepingWords, rateWords, wayInWords } from './words';
