import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hookUpLayout, hookUpSizes, wrapped } from './hookUpLayout';

const { spanWidth, stationWidth } = hookUpSizes;
const metres = (lengthM: number): string => `${Math.round(lengthM)} m`;

describe('text in lines', () => {
  it('loses no word, and breaks only between words', () => {
    fc.assert(
      fc.property(
        fc.array(fc.stringMatching(/^[a-z]{1,12}$/), { minLength: 1 }),
        fc.integer({ min: 4, max: 30 }),
        (words, most) => {
          const lines = wrapped(words.join(' '), most);
          expect(lines.join(' ')).toBe(words.join(' '));
          for (const line of lines) if (line.includes(' ')) expect(line.length).toBeLessThanOrEqual(most);
        },
      ),
    );
  });
});

describe('a hook-up drawing', () => {
  const station = (name: string) => ({ name, where: 'here', terminals: ['BNC'] });
  const span = { label: 'RG-59', cores: 'centre and shield', lengthM: 34, look: 'coax' as const };
  it('puts stations side by side and lines one under the other', () => {
    const drawn = [
      { carries: 'picture' as const, stations: ['a', 'b', 'c'].map(station), spans: [span, span] },
      { carries: 'power' as const, stations: ['d', 'e'].map(station), spans: [span] },
    ];
    const { lines, width, height } = hookUpLayout({ lines: drawn }, metres);
    expect(lines[0]!.stations.map(({ x }) => x)).toEqual([0, 318, 636]);
    expect(width).toBe(3 * stationWidth + 2 * spanWidth + 4);
    expect(lines[1]!.y).toBeGreaterThan(lines[0]!.middle);
    expect(height).toBeGreaterThan(lines[1]!.y + lines[1]!.middle);
    expect(lines[0]!.spans[0]!.above).toEqual(['RG-59, 34\u00a0m']);
  });
  it('of nothing is still a drawing', () =>
    expect(hookUpLayout({ lines: [] }, metres).height).toBeGreaterThan(0));
});
