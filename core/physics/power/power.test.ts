import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  arrivingVolts,
  dcFeed,
  drawnAmps,
  maxLoadWatts,
  poeClassFor,
  poeClasses,
  poeLeastSourceVolts,
  poeMinDeviceVolts,
  poePairsFed,
} from '.';

const feed = fc.record({
  sourceVolts: fc.double({ min: 5, max: 60, noNaN: true }),
  loopOhms: fc.double({ min: 0.01, max: 100, noNaN: true }),
  minLoadVolts: fc.double({ min: 0, max: 60, noNaN: true }),
  sourceLimitWatts: fc.option(fc.double({ min: 1, max: 90, noNaN: true }), { nil: undefined }),
});

describe('dcFeed', () => {
  it('keeps the energy: what leaves the source arrives or warms the wire', () => {
    fc.assert(
      fc.property(feed, fc.double({ min: 0, max: 50, noNaN: true }), (input, watts) => {
        const result = dcFeed({ ...input, load: { kind: 'watts', watts } });
        if (result.state === 'collapsed') {
          expect(watts).toBeGreaterThan((input.sourceVolts ** 2 / (4 * input.loopOhms)) * 0.999999);
          return;
        }
        expect(result.sourceWatts).toBeCloseTo(watts + result.lossWatts, 6);
        expect(result.loadVolts + result.amps * input.loopOhms).toBeCloseTo(input.sourceVolts, 6);
      }),
    );
  });
  it('holds exactly up to the most it says can arrive', () => {
    fc.assert(
      fc.property(feed, (input) => {
        const most = maxLoadWatts(input);
        if (most === null || most < 1e-3) return;
        expect(dcFeed({ ...input, load: { kind: 'watts', watts: most * 0.999 } }).state).toBe('ok');
        expect(dcFeed({ ...input, load: { kind: 'watts', watts: most * 1.001 } }).state).not.toBe('ok');
      }),
    );
  });
  it('a load as a current and as its power agree', () => {
    fc.assert(
      fc.property(feed, fc.double({ min: 0.01, max: 0.5, noNaN: true }), (input, share) => {
        const amps = (share * input.sourceVolts) / input.loopOhms;
        const byAmps = dcFeed({ ...input, load: { kind: 'amps', amps } });
        if (byAmps.state === 'collapsed') throw new Error('half the short-circuit current never collapses');
        const byWatts = dcFeed({
          ...input,
          load: { kind: 'watts', watts: byAmps.loadVolts * amps * 0.999999 },
        });
        expect(byWatts).toMatchObject({ loadVolts: expect.closeTo(byAmps.loadVolts, 1) as number });
      }),
    );
  });
  it('puts collapse before undervoltage before the source limit', () => {
    const base = { sourceVolts: 12, minLoadVolts: 10.8, sourceLimitWatts: 1 };
    expect(dcFeed({ ...base, loopOhms: 20, load: { kind: 'watts', watts: 5 } }).state).toBe('collapsed');
    expect(dcFeed({ ...base, loopOhms: 4, load: { kind: 'watts', watts: 6 } }).state).toBe('undervoltage');
    expect(dcFeed({ ...base, loopOhms: 0.1, load: { kind: 'watts', watts: 6 } }).state).toBe(
      'source-limited',
    );
    expect(dcFeed({ ...base, loopOhms: 24, load: { kind: 'amps', amps: 0.5 } }).state).toBe('collapsed');
  });
  it('has no limit through no wire from a source without one', () => {
    expect(maxLoadWatts({ sourceVolts: 12, loopOhms: 0, minLoadVolts: 10.8 })).toBeNull();
    expect(maxLoadWatts({ sourceVolts: 12, loopOhms: 0, minLoadVolts: 13 })).toBe(0);
  });
});

describe('a fed load', () => {
  it('by hand: 6 VA over 2 Ω from 12 V get 10.9 V and draw 0.55 A', () => {
    const load = { sourceVolts: 12, loopOhms: 2, voltAmps: 6 };
    const volts = (12 + Math.sqrt(144 - 48)) / 2;
    expect(arrivingVolts(load)).toBeCloseTo(volts, 9);
    expect(drawnAmps(load)).toEqual({ amps: expect.closeTo(6 / volts, 9) as number, collapses: false });
  });
  it('that collapses gets nothing and draws what the wire lets through at half the volts', () => {
    const load = { sourceVolts: 12, loopOhms: 6, voltAmps: 40 };
    expect([arrivingVolts(load), drawnAmps(load)]).toEqual([0, { amps: 1, collapses: true }]);
  });
});

describe('PoE', () => {
  it('no class gives its device more than it asks of its source', () => {
    for (const row of poeClasses) expect(row.deviceWatts).toBeLessThan(row.sourceWatts);
  });
  it.each([
    [3, 1],
    [6, 2],
    [12.5, 3],
    [13, 4],
    [25.5, 4],
    [26, 5],
    [71.3, 8],
  ])('%f W wants class %i', (watts, poeClass) => {
    expect(poeClassFor(watts)?.poeClass).toBe(poeClass);
  });
  it('the least volts of a source bring a class its watts through a full channel, and hardly more', () => {
    // 12.5 Ω is the loop of two pairs of 100 m, 20 Ω of the older category 3 that types 1 are made for.
    for (const { poeClass, sourceWatts, deviceWatts } of poeClasses.filter((row) => row.poeClass >= 3)) {
      const loopOhms = poeClass === 3 ? 20 : poePairsFed(poeClass) === 4 ? 6.25 : 12.5;
      const most = maxLoadWatts({
        sourceVolts: poeLeastSourceVolts(poeClass),
        loopOhms,
        minLoadVolts: poeMinDeviceVolts(poeClass),
        sourceLimitWatts: sourceWatts,
      })!;
      expect(most / deviceWatts).toBeGreaterThan(0.985);
      expect(most / deviceWatts).toBeLessThan(1.02);
    }
  });
  it('nothing offers 72 W', () => expect(poeClassFor(72)).toBeUndefined());
  it('knows volts and pairs by type', () => {
    expect([3, 4, 5, 6, 7, 8].map(poeMinDeviceVolts)).toEqual([37, 42.5, 44.3, 42.5, 42.9, 41.1]);
    expect([1, 3, 4, 5, 6, 7, 8].map(poeLeastSourceVolts)).toEqual([44, 44, 50, 50, 50, 52, 52]);
    expect([4, 5].map(poePairsFed)).toEqual([2, 4]);
  });
});
