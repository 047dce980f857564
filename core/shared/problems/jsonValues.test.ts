import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { holdsMoreValues } from '.';

/** Lists and objects, and what parts their entries. */
const marksOf = (value: unknown): number => {
  if (typeof value !== 'object' || value === null) return 0;
  const inside = Object.values(value);
  return 1 + Math.max(0, inside.length - 1) + inside.reduce<number>((sum, one) => sum + marksOf(one), 0);
};

describe('how many values JSON holds', () => {
  it('is told of any value as walking it tells', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 5 }), (value) => {
        const marks = marksOf(value);
        expect(holdsMoreValues(JSON.stringify(value), marks)).toBe(false);
        if (marks > 0) expect(holdsMoreValues(JSON.stringify(value), marks - 1)).toBe(true);
      }),
      { numRuns: 500 },
    );
  });
  it('does not count what stands in a text', () =>
    expect(holdsMoreValues('["[,,,{{\\",,,"]', 1)).toBe(false));
});
