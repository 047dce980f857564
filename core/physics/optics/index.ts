export {
  pixelsPerMetre,
  purposeServed,
  sameViewFocalMm,
  viewDegrees,
  viewPurposeIds,
  viewPurposes,
  viewWidthM,
} from './fieldOfView';
export { sensorIds, sensors, type SensorId } from './sensors';
