const radiansPerDegree = Math.PI / 180;

/** Pixels across a picture of 16:9 by the megapixels that a camera is sold as, the smallest first. */
const rows = [
  { megapixels: 2, pixels: 1920 },
  { megapixels: 4, pixels: 2560 },
  { megapixels: 8, pixels: 3840 },
] as const;

/** Pixels across the picture of a camera of so many megapixels, never more than it has; 0 below 2 MP, of which nothing is said. */
export const pixelsAcross = (megapixels: number): number =>
  rows.findLast((row) => row.megapixels <= megapixels)?.pixels ?? 0;

/** The fewest megapixels that cameras are sold as and that have so many pixels across; `null` past the largest. */
export const megapixelsFor = (pixels: number): number | null =>
  rows.find((row) => row.pixels >= pixels)?.megapixels ?? null;

/**
 * Metres across the middle of a picture that takes in so many degrees, at this distance, below half a turn.
 * Source: pinhole camera, 2·d·tan(θ/2). Lenses that bend straight lines give the middle and the edges as many pixels a metre or more.
 */
export const widthAcrossM = (acrossDegrees: number, distanceM: number): number =>
  2 * distanceM * Math.tan((acrossDegrees / 2) * radiansPerDegree);
