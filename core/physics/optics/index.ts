export {
  pixelsPerMetre,
  purposeServed,
  sameViewFocalMm,
  viewDegrees,
  viewPurposeIds,
  viewClassesEdition,
  viewPurposes,
  viewWidthM,
} from './fieldOfView';
export { megapixelsFor, pixelsAcross, widthAcrossM } from './wideView';
export { sensorIds, sensors, type SensorId } from './sensors';
