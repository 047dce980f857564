import type { Photo } from '#core/model/site';

/**
 * Pixels that a metre at the target has in a camera's own picture, from a photo of it in which the two ends of a one-metre target were
 * marked. The photo may be smaller than the picture: what counts is the part of its width.
 * @param acrossPixels pixels across the camera's picture
 */
export function pixelsMarked(
  { metre, widthPx }: Pick<Photo, 'metre' | 'widthPx'>,
  acrossPixels: number,
): number | null {
  if (!metre) return null;
  const { a, b } = metre;
  return (Math.hypot(a.x - b.x, a.y - b.y) / widthPx) * acrossPixels;
}
