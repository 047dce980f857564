import { describe, expect, it } from 'vitest';
import { parseQuantity } from './parseQuantity';

describe('figures as surveyors write them', () => {
  it.each([
    ['12VDC', 'V', 12],
    ['24 VAC', 'V', 24],
    [`12'-6"`, 'm', 3.81],
    ['1,250 ft', 'm', 381],
    ['0,8 A', 'A', 0.8],
  ] as const)('%s in %s', (typed, unit, value) => {
    const read = parseQuantity(typed, unit);
    expect(read.kind === 'read' && read.value).toBeCloseTo(value, 9);
  });
  it('a comma before three digits of anything but feet still means two things', () => {
    expect(parseQuantity('1,250', 'm').kind).toBe('refused');
    expect(parseQuantity('1,250 m', 'm').kind).toBe('refused');
  });
});
