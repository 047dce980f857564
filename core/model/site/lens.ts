import type { Camera } from './camera';

export type Lens = NonNullable<Camera['lens']>;

/** A lens as most old cameras have it, until somebody has looked. */
const usualLens: Lens = { sensor: '1/3', focalMm: 3.6 };

/** A camera's lens with some of it noted. */
export const withLens = ({ lens }: Pick<Camera, 'lens'>, fields: Partial<Lens>): Lens => ({
  ...(lens ?? usualLens),
  ...fields,
});

/** Set to a focal length; a range that it lies outside of was noted wrongly and goes. */
export function withFocal(camera: Pick<Camera, 'lens'>, focalMm: number): Lens {
  const { range, ...rest } = withLens(camera, {});
  return {
    ...rest,
    focalMm,
    ...(range && range.minMm <= focalMm && focalMm <= range.maxMm ? { range } : {}),
  };
}

/** With one end of its range noted, the ends in order; the focal length stays within. */
export function withRange(camera: Pick<Camera, 'lens'>, end: { minMm?: number; maxMm?: number }): Lens {
  const lens = withLens(camera, {});
  const { minMm, maxMm } = { ...(lens.range ?? { minMm: lens.focalMm, maxMm: lens.focalMm }), ...end };
  const range = { minMm: Math.min(minMm, maxMm), maxMm: Math.max(minMm, maxMm) };
  return { ...lens, focalMm: Math.min(Math.max(lens.focalMm, range.minMm), range.maxMm), range };
}
