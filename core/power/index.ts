export { dcFeed, maxLoadWatts, type Feed, type FeedFigures, type FeedInput, type Load } from './dcFeed';
export {
  ethernetChannelM,
  poeClassFor,
  poeClasses,
  poeMinDeviceVolts,
  poePairsFed,
  type PoeClass,
} from './poe';
export { sourceVoltsFor, sourceVoltsUpTo, twoPoint, type LoadPoint, type TwoPoint } from './twoPoint';
