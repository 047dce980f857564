import { describe, expect, it } from 'vitest';
import { quantileOf, spreadWith, usualSpread } from './spread';

describe('minutes that are not exceeded', () => {
  const spread = { low: 40, likely: 60, high: 120 };
  /** The area of the triangle left of a figure, by its two sides. */
  const chanceBelow = (minutes: number): number =>
    minutes <= 60 ? (minutes - 40) ** 2 / (80 * 20) : 1 - (120 - minutes) ** 2 / (80 * 60);
  it.each([0.05, 0.25, 0.5, 0.9, 0.99])('with a probability of %d leave so much of the triangle below', (p) =>
    expect(chanceBelow(quantileOf(spread, p))).toBeCloseTo(p, 10),
  );
  it('are the ends at 0 and 1, and the figure itself where there is no spread', () => {
    expect([quantileOf(spread, 0), quantileOf(spread, 1)]).toEqual([40, 120]);
    expect(quantileOf({ low: 30, likely: 30, high: 30 }, 0.9)).toBe(30);
  });
  it('of a figure of practice lie about it', () =>
    expect(usualSpread(100)).toEqual({ low: 80, likely: 100, high: 160 }));
});

it('one figure of a spread that passes another takes it along', () => {
  const spread = { low: 40, likely: 60, high: 120 };
  expect(spreadWith(spread, 'likely', 30)).toEqual({ low: 30, likely: 30, high: 120 });
  expect(spreadWith(spread, 'low', 80)).toEqual({ low: 80, likely: 80, high: 120 });
  expect(spreadWith(spread, 'high', 50)).toEqual({ low: 40, likely: 50, high: 50 });
  expect(spreadWith(spread, 'high', 20)).toEqual({ low: 40, likely: 40, high: 40 });
});
