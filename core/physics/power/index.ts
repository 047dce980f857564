export { ampacityA, limitedPowerVa } from './ampacity';
export { cameraLoad, loadVoltAmps, type CameraLoad } from './cameraLoad';
export { continuousLoadShare } from './continuousLoad';
export { arrivingVolts, drawnAmps } from './feedAt';
export { leastAmps } from './leastAmps';
export { constantPowerVolts, dcFeed, maxLoadWatts, type Feed } from './dcFeed';
export {
  coaxSourceVolts,
  poeLeastSourceVolts,
  poeClassFor,
  poeClasses,
  poeMinDeviceVolts,
  poePairsFed,
  type PoeClass,
} from './poe';
export { boxVoltAmps, mainsVoltAmps, wattsOf } from './voltAmps';
export { sourceVoltsFor, sourceVoltsUpTo, twoPoint, type TwoPoint } from './twoPoint';
