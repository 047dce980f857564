import { loadVoltAmps, type CameraLoad } from './cameraLoad';
import { continuousLoadShare } from './continuousLoad';

/**
 * Amps that a supply for one camera has to be rated for at so many volts, in tenths: what it takes for long is four fifths
 * of the rating, and its start at most the whole. Source: usual practice for enclosed supplies.
 */
export function leastAmps(volts: number, lasting: CameraLoad, starting: CameraLoad): number {
  const voltAmps = Math.max(
    loadVoltAmps(lasting, volts) / continuousLoadShare,
    loadVoltAmps(starting, volts),
  );
  return Math.ceil((10 * voltAmps) / volts) / 10;
}
