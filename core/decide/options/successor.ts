import type { Successor } from './build';
import type { Context } from './context';

/** Years that a new HD camera lasts. Judgement. */
export const hdYears = 7;

/** Who comes after a camera that is kept: one like it, new, on the same cable. */
export const likeCamera = ({ newCameras }: Context): Successor => ({
  parts: newCameras.hd.parts,
  lifeYears: hdYears,
});
