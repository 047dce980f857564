import { cameraLoad, type CameraLoad } from '#core/physics/power';
import type { Camera } from '#core/model/site';
import type { RunReadings } from '#core/test/readings';

type Fed = Pick<Camera, 'watts' | 'supply'>;

/** The most watts a camera takes for long, by day or by night. */
export const worstWatts = ({ watts: { day, night } }: Pick<Camera, 'watts'>): number => Math.max(day, night);

/** Heater watts that are part of its night. */
export const heaterWatts = ({ watts: { heater = 0 } }: Pick<Camera, 'watts'>): number => heater;

/** What a camera asks of its feed by day, its heater cold. */
export const dayLoad = ({ watts, supply }: Fed): CameraLoad => cameraLoad(watts.day, supply.current);

/** What it asks by night, with its heater on. */
export const nightLoad = (camera: Fed): CameraLoad =>
  cameraLoad(camera.watts.night, camera.supply.current, heaterWatts(camera));

/** What it asks at most for long: by night, with its heater on. */
export const worstLoad = (camera: Fed): CameraLoad =>
  cameraLoad(worstWatts(camera), camera.supply.current, heaterWatts(camera));

/** Whether somebody has read volts at the camera with its lamps on: then it ran, and so had started. */
export const wasSeenRunning = (readings: RunReadings): boolean => (readings['night-volts']?.value ?? 0) > 0;

/** What it asks for a moment when it starts. Nobody knows what of that is the heater, so none of it falls with the volts. */
export const startUpLoad = (camera: Fed): CameraLoad =>
  cameraLoad(Math.max(worstWatts(camera), camera.watts.startUp), camera.supply.current);
