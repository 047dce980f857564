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
export { sensorIds, sensors, type SensorId } from './sensors';
