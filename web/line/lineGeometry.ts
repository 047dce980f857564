import { inLength, shownUnit, type Measures } from '#core/shared/units';

/** A round step that puts at most `most` ticks on an axis, in the unit of the axis. */
export function axisStep(longest: number, most: number): number {
  const steps = [5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000, 20_000, 50_000];
  return steps.find((step) => longest / step <= most) ?? 100_000;
}

/** Where the lengths stand on an axis as long as the longest run, round in the person's own unit. */
export function axisTicks(
  longestM: number,
  most: number,
  x0: number,
  pxPerM: number,
  measures: Measures,
): { text: string; x: number }[] {
  const longest = inLength(longestM, measures);
  const step = axisStep(longest, most);
  const pxPerUnit = (pxPerM * longestM) / longest;
  return Array.from({ length: Math.floor(longest / step) + 1 }, (_, i) => ({
    text: `${i * step} ${shownUnit('m', measures)}`,
    x: x0 + i * step * pxPerUnit,
  }));
}
