import { expect, it } from 'vitest';
import { meetsBounds } from '.';

it('is surely met by all of the interval, maybe by its middle, and hardly by less', () => {
  const expected = { value: 12, low: 11, high: 13 };
  const of = (least: number | null, most: number | null) => meetsBounds({ least, most }, expected);
  expect([of(null, null), of(11, 13), of(11.5, null), of(null, 12.5)]).toEqual([
    'surely',
    'surely',
    'maybe',
    'maybe',
  ]);
  expect([of(12.1, null), of(null, 11.9)]).toEqual(['hardly', 'hardly']);
});
