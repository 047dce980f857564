export { pixelsPerMetre, purposeServed, sameViewFocalMm, viewDegrees, viewPurposes, viewWidthM } from './fieldOfView';
export { sensorIds, sensors, type SensorId } from './sensors';
