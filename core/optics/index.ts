export {
  pixelsPerMetre,
  purposeServed,
  sameViewFocalMm,
  viewDegrees,
  viewPurposeIds,
  viewPurposes,
  viewWidthM,
  type ViewPurposeId,
} from './fieldOfView';
export { sensorIds, sensors, type SensorId } from './sensors';
