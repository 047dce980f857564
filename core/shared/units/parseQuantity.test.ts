import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formatFigure, formatQuantity, parseQuantity, type Unit } from '.';

const read = (typed: string, unit: Unit) => {
  const parsed = parseQuantity(typed, unit);
  if (parsed.kind === 'refused') throw new Error(parsed.why);
  return parsed.value;
};

describe('parseQuantity', () => {
  it.each<[string, Unit, number]>([
    ['12.4', 'V', 12.4],
    ['12.4 V', 'V', 12.4],
    ['12,4', 'V', 12.4],
    ['.5', 'A', 0.5],
    ['350 mA', 'A', 0.35],
    ['40ft', 'm', 12.192],
    ['40\' 6"', 'm', 12.3444],
    ['0.48 km', 'm', 480],
    ['1250', 'm', 1250],
    ['33.1Ω', 'Ω', 33.1],
    ['1.2 kΩ', 'Ω', 1200],
    ['80 mΩ', 'Ω', 0.08],
    ['2.4 MΩ', 'MΩ', 2.4],
    ['900 kΩ', 'MΩ', 0.9],
    ['95 Mb/s', 'Mb/s', 95],
    ['-5 °C', '°C', -5],
  ])('reads %s as %s', (typed, unit, value) => expect(read(typed, unit)).toBeCloseTo(value, 9));

  it.each<[string, Unit, RegExp]>([
    ['3/8 km', 'm', /fraction/],
    ['', 'V', /nothing/],
    ['twelve', 'V', /number/],
    ['1,250', 'm', /two things/],
    ['12 W', 'V', /not a unit/],
    ['12..4', 'V', /number/],
    ['1e5', 'm', /not a unit/],
    ['NaN', 'Ω', /number/],
    ['Infinity', 'Ω', /number/],
  ])('refuses %s', (typed, unit, why) => {
    const parsed = parseQuantity(typed, unit);
    expect(parsed).toMatchObject({ kind: 'refused', why: expect.stringMatching(why) });
  });

  it('reads back whatever it formats', () => {
    fc.assert(
      fc.property(fc.integer({ min: -9999, max: 9999 }), (tenths) => {
        expect(read(formatQuantity(tenths / 10, 'V'), 'V')).toBeCloseTo(tenths / 10, 9);
      }),
    );
  });
});

describe('formatFigure', () => {
  it('groups thousands of money, and from five digits elsewhere', () => {
    expect(formatFigure(18940, 'money')).toBe('18\u202f940');
    expect(formatFigure(3400, 'm')).toBe('3400');
    expect(formatFigure(34001.2, 'm')).toBe('34\u202f001');
  });
  it('never prints a negative zero, nor Infinity', () => {
    expect(formatFigure(-0.01, 'V')).toBe('0.0');
    expect(formatFigure(null, 'W')).toBe('no limit');
  });
});
