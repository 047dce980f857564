import { pathLossDb, type Stretch } from '#core/physics/cable';
import type { PictureFormat } from './tableSchemas';

/** Loss of one balun and of one sound joint, in dB, at any video frequency. Typical published figures. */
export const balunLossDb = 0.7;
export const soundJointLossDb = 0.2;

export type PictureState = 'clean' | 'marginal' | 'lost';
export interface PictureMargin {
  lossDb: number;
  state: PictureState;
}

/**
 * Loss at the format's highest video frequency, held against what a receiver takes:
 * up to `cleanDb` the picture is clean, up to `limitDb` it still holds.
 */
export function pictureMargin(
  stretches: readonly Stretch[],
  format: PictureFormat,
  extraLossDb = 0,
): PictureMargin {
  const lossDb = pathLossDb(stretches, format.topMHz) + extraLossDb;
  const state = lossDb <= format.cleanDb ? 'clean' : lossDb <= format.limitDb ? 'marginal' : 'lost';
  return { lossDb, state };
}
