import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { nestsDeeper } from '.';

const depthOf = (value: unknown): number =>
  typeof value === 'object' && value !== null ? 1 + Math.max(0, ...Object.values(value).map(depthOf)) : 0;

describe('how deep JSON nests', () => {
  it('is told of any value as walking it tells', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 6 }), fc.nat(7), (value, most) => {
        expect(nestsDeeper(JSON.stringify(value), most)).toBe(depthOf(value) > most);
      }),
      { numRuns: 500 },
    );
  });
  it.each([
    ['brackets in a text', JSON.stringify(['[[[[', '{"{{\\"[', '\\']), 1, false],
    ['a list in a list', '[[1]]', 1, true],
    ['a hundred thousand lists', '['.repeat(100_000), 64, true],
    ['a text that is never closed', '["[[[[', 1, false],
  ])('%s', (_, text, most, deeper) => expect(nestsDeeper(text, most)).toBe(deeper));
});
