import type { Drawing, Spot } from '#core/model/site';

export const distancePx = (a: Spot, b: Spot): number => Math.hypot(b.x - a.x, b.y - a.y);

/** Two points closer than this on the picture give no scale worth having: a slip of the hand would be a tenth of it. */
export const leastScalePx = 20;

/** Metres that a pixel of the picture stands for; `null` until two points of known distance are set. */
export function metresPerPixel({ scale }: Pick<Drawing, 'scale'>): number | null {
  if (!scale) return null;
  const px = distancePx(scale.a, scale.b);
  return px > 0 ? scale.distanceM / px : null;
}
