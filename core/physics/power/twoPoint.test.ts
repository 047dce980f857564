import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arrivingVolts, dcFeed, sourceVoltsFor, sourceVoltsUpTo, twoPoint, type CameraLoad } from '.';

/** Volts that a load gets, as the feed's own formula gives them. */
const at = (sourceVolts: number, loopOhms: number, watts: number): number => {
  const feed = dcFeed({ sourceVolts, loopOhms, load: { kind: 'watts', watts }, minLoadVolts: 0 });
  return feed.state === 'collapsed' ? 0 : feed.loadVolts;
};

describe('two readings of one feed', () => {
  it('give back the loop and the source that made them', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 12, max: 27, noNaN: true }),
        fc.double({ min: 1, max: 6, noNaN: true }),
        (sourceVolts, loopOhms) => {
          const [day, night] = [
            { watts: 2, volts: at(sourceVolts, loopOhms, 2) },
            { watts: 5, volts: at(sourceVolts, loopOhms, 5) },
          ];
          const told = twoPoint(day, night);
          if (told.kind === 'untold') return;
          expect(told.loopOhms).toBeCloseTo(loopOhms, 6);
          expect(told.sourceVolts).toBeCloseTo(sourceVolts, 6);
          expect(told.spreadOhms).toBeGreaterThan(0);
        },
      ),
    );
  });
  it('by hand: 12 V at 2.4 W and 11 V at 5.5 W are 0.2 A and 0.5 A, so 3.33 Ω behind 12.67 V', () => {
    expect(twoPoint({ volts: 12, watts: 2.4 }, { volts: 11, watts: 5.5 })).toMatchObject({
      kind: 'told',
      loopOhms: expect.closeTo(10 / 3, 9) as number,
      sourceVolts: expect.closeTo(12 + 2 / 3, 9) as number,
    });
  });
  it('tell nothing where hardly anything changes, and say why', () => {
    expect(twoPoint({ volts: 12, watts: 2 }, { volts: 11.9, watts: 2.1 })).toMatchObject({
      kind: 'untold',
      why: expect.stringMatching(/hardly more/) as string,
    });
    expect(twoPoint({ volts: 12, watts: 2 }, { volts: 11.98, watts: 5 })).toMatchObject({
      kind: 'untold',
      why: expect.stringMatching(/hardly fall/) as string,
    });
    expect(twoPoint({ volts: 12, watts: 2 }, { volts: 0, watts: 5 })).toMatchObject({
      kind: 'untold',
      why: expect.stringMatching(/no volts/) as string,
    });
  });
});

describe('the setting of a source', () => {
  const heater = fc.option(fc.double({ min: 5, max: 200, noNaN: true }), { nil: undefined });
  const arrives = (sourceVolts: number, loopOhms: number, load: CameraLoad): number =>
    arrivingVolts({ sourceVolts, loopOhms, ...load });
  it('is the least that brings the load its volts, and no less does', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        fc.double({ min: 1, max: 10, noNaN: true }),
        heater,
        (loopOhms, voltAmps, heaterOhms) => {
          const load = { voltAmps, heaterOhms };
          const needed = sourceVoltsFor(loopOhms, load, 10.8);
          expect(arrives(needed + 1e-6, loopOhms, load)).toBeGreaterThanOrEqual(10.8 - 1e-3);
          expect(arrives(needed - 0.05, loopOhms, load)).toBeLessThan(10.8);
        },
      ),
    );
  });
  it('is the most that leaves the load below its highest', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        heater,
        (loopOhms, voltAmps, heaterOhms) => {
          const load = { voltAmps, heaterOhms };
          expect(arrives(sourceVoltsUpTo(loopOhms, load, 13.2), loopOhms, load)).toBeCloseTo(13.2, 6);
        },
      ),
    );
  });
});
