/** How long something takes, in minutes: at best, most likely, at worst. */
export interface Spread {
  low: number;
  likely: number;
  high: number;
}

/** The spread that a figure of practice stands for: four fifths of it at best, and half as much again at worst. */
export const usualSpread = (likely: number): Spread => ({ low: 0.8 * likely, likely, high: 1.6 * likely });

/**
 * Minutes that are not exceeded with a probability, of the triangular distribution between the three figures. A triangle gives more to
 * both ends than other curves through the same three figures, so that it errs to the safe side.
 *
 * Source: Kotz and van Dorp, “Beyond Beta”, 2004, chapter 1.
 */
export function quantileOf({ low, likely, high }: Spread, probability: number): number {
  const width = high - low;
  if (width <= 0) return likely;
  const atLikely = (likely - low) / width;
  return probability < atLikely
    ? low + Math.sqrt(probability * width * (likely - low))
    : high - Math.sqrt((1 - probability) * width * (high - likely));
}
