import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fieldFigure, fieldText, quantityFor, type Measures } from '.';

const metric: Measures = { length: 'm', gauge: 'mm2' };
const imperial: Measures = { length: 'ft', gauge: 'awg' };

describe('a person’s own measures', () => {
  it('show lengths in feet and leave all else alone', () => {
    expect([
      quantityFor(30.48, 'm', imperial),
      quantityFor(30.48, 'm', metric),
      quantityFor(12.4, 'V', imperial),
      quantityFor(null, 'm', imperial),
    ]).toEqual(['100 ft', '30 m', '12.4 V', 'no limit']);
  });
  it('read a bare number in the person’s unit, and any unit that is written', () => {
    expect(fieldFigure('100', 'm', null, imperial)).toEqual({ kind: 'read', value: 30.48 });
    expect(fieldFigure('100 m', 'm', null, imperial)).toEqual({ kind: 'read', value: 100 });
    expect(fieldFigure('100ft', 'm', null, metric)).toMatchObject({
      value: expect.closeTo(30.48, 9) as number,
    });
    expect(fieldFigure('12', 'V', null, imperial)).toEqual({ kind: 'read', value: 12 });
    expect(fieldFigure('far', 'm', null, imperial)).toMatchObject({ kind: 'refused' });
  });
  it('never move what is stored, over a hundred switches with the shown text taken again each time', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 5000, noNaN: true }), (lengthM) => {
        let stored = lengthM;
        for (let turn = 0; turn < 100; turn += 1) {
          const measures = turn % 2 ? metric : imperial;
          const taken = fieldFigure(fieldText(stored, 'm', measures), 'm', stored, measures);
          if (taken.kind === 'refused') throw new Error(taken.why);
          stored = taken.value;
        }
        expect(stored).toBe(lengthM);
      }),
    );
  });
  it('what is typed anew comes back as typed', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1_600_000 }),
        fc.constantFrom(metric, imperial),
        (hundredths, measures) => {
          const typed = String(hundredths / 100);
          const taken = fieldFigure(typed, 'm', 12, measures);
          expect(taken.kind === 'read' && fieldText(taken.value, 'm', measures)).toBe(typed);
        },
      ),
    );
  });
});
