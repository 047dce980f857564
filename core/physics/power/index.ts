export { ampacityA, limitedPowerVa } from './ampacity';
export { continuousLoadShare } from './continuousLoad';
export { dcFeed, maxLoadWatts, type Feed } from './dcFeed';
export {
  ethernetChannelM,
  poeClassFor,
  poeClasses,
  poeMinDeviceVolts,
  poePairsFed,
  poeSourceVolts,
  type PoeClass,
} from './poe';
export { sourceVoltsFor, sourceVoltsUpTo, twoPoint, type TwoPoint } from './twoPoint';
