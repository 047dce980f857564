import type { Run } from '#core/model/site';
import { metresAtNs } from './traceEvents';

/**
 * Where a ghost's echo may come from: an echo runs a way there and back that the picture does not, so that a ghost
 * displaced by t stands for a length of vf·c·t/2 between the two places that reflect. It is told from either end.
 */
export function ghostLengthM(run: Run, displacedUs: number): number {
  return metresAtNs(run, displacedUs * 1000);
}
