import { describe, expect, it } from 'vitest';
import { categoryGrades, copperReachM, longestChannelM } from '.';

describe('how far a rate reaches over copper', () => {
  it.each([
    ['cat5e', 100, longestChannelM],
    ['cat5e', 1000, longestChannelM],
    ['cat5e', 2500, longestChannelM],
    ['cat5e', 5000, 0],
    ['cat6', 5000, longestChannelM],
    ['cat6', 10_000, 37],
    ['cat6a', 10_000, longestChannelM],
    ['cat6a', 25_000, 0],
  ] as const)('%s at %d Mb/s: %d m', (grade, mbps, metres) => expect(copperReachM(grade, mbps)).toBe(metres));
  it('is never farther for a faster one, nor for a poorer grade', () => {
    const rates = [10, 100, 1000, 2500, 5000, 10_000, 40_000];
    for (const grade of categoryGrades)
      for (const [k, mbps] of rates.slice(1).entries())
        expect(copperReachM(grade, mbps)).toBeLessThanOrEqual(copperReachM(grade, rates[k]!));
    for (const mbps of rates)
      for (const [k, grade] of categoryGrades.slice(1).entries())
        expect(copperReachM(grade, mbps)).toBeGreaterThanOrEqual(copperReachM(categoryGrades[k]!, mbps));
  });
});
