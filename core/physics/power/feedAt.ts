import type { CameraLoad } from './cameraLoad';
import { constantPowerVolts } from './dcFeed';

/** A camera behind a loop; on DC its volt-amperes are watts. */
export interface FedLoad extends CameraLoad {
  sourceVolts: number;
  loopOhms: number;
}

/** Volts that arrive at the load; 0 where the feed collapses. */
export const arrivingVolts = ({ sourceVolts, loopOhms, voltAmps, heaterOhms }: FedLoad): number =>
  constantPowerVolts(sourceVolts, loopOhms, voltAmps, heaterOhms ?? Infinity) ?? 0;

/** Amps that the source gives. Where the feed collapses they run up to what the wire lets through at half the volts. */
export function drawnAmps(load: FedLoad): { amps: number; collapses: boolean } {
  const { sourceVolts, loopOhms, voltAmps, heaterOhms } = load;
  const volts = arrivingVolts(load);
  return volts > 0
    ? { amps: voltAmps / volts + volts / (heaterOhms ?? Infinity), collapses: false }
    : { amps: sourceVolts / (2 * loopOhms), collapses: true };
}
