/** How long something takes, in minutes: at best, most likely, at worst. */
export interface Spread {
  low: number;
  likely: number;
  high: number;
}

/** The spread that a figure of practice stands for: four fifths of it at best, and half as much again at worst. */
export const usualSpread = (likely: number): Spread => ({ low: 0.8 * likely, likely, high: 1.6 * likely });

/** A spread with one of its figures another. The three stay in their order: the likely one gives way before the ends do. */
export function spreadWith(spread: Spread, which: keyof Spread, minutes: number): Spread {
  const wanted: Spread = { ...spread, [which]: minutes };
  const { low, likely, high } = wanted;
  const middle = which === 'likely' ? likely : Math.min(Math.max(likely, low), Math.max(low, high));
  return { low: Math.min(low, middle), likely: middle, high: Math.max(high, middle) };
}

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
