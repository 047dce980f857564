import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arrivingVolts, cameraLoad, dcFeed, drawnAmps, loadVoltAmps } from '.';

describe('a camera with a heater', () => {
  it('takes volt-amperes for its electronics on AC, and of its heater as many as watts', () => {
    // By hand: 12 W of electronics are 18.5 VA at 0.65; 18 W at 24 V are 32 ohms.
    expect(cameraLoad(30, 'ac', 18)).toEqual({
      voltAmps: expect.closeTo(12 / 0.65, 9) as number,
      heaterOhms: 32,
    });
    expect(cameraLoad(30, 'dc')).toEqual({ voltAmps: 30 });
    expect(cameraLoad(5, 'dc', 8)).toEqual({ voltAmps: 0, heaterOhms: 144 / 5 });
  });
  it('warms by the square of the volts', () => {
    const heater = cameraLoad(8, 'dc', 8);
    expect(loadVoltAmps(heater, 12)).toBeCloseTo(8, 9);
    expect(loadVoltAmps(heater, 6)).toBeCloseTo(2, 9);
    expect(loadVoltAmps(heater, 13.2)).toBeCloseTo(8 * 1.21, 9);
  });
  it('divides the volts with its loop as Ohm would have it', () => {
    // A heater alone of 18 ohms behind 2: nine tenths arrive, and 12/20 A flow.
    const only = { sourceVolts: 12, loopOhms: 2, voltAmps: 0, heaterOhms: 18 };
    expect(arrivingVolts(only)).toBeCloseTo(10.8, 9);
    expect(drawnAmps(only).amps).toBeCloseTo(0.6, 9);
  });
  it('is found where the currents of both meet that of the wire', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 30, noNaN: true }),
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        fc.double({ min: 0.1, max: 20, noNaN: true }),
        fc.double({ min: 5, max: 100, noNaN: true }),
        (sourceVolts, loopOhms, watts, heaterOhms) => {
          const feed = dcFeed({
            sourceVolts,
            loopOhms,
            minLoadVolts: 0,
            load: { kind: 'watts', watts, heaterOhms },
          });
          if (feed.state === 'collapsed') return;
          const { loadVolts, amps, sourceWatts, lossWatts } = feed;
          expect(watts / loadVolts + loadVolts / heaterOhms).toBeCloseTo(
            (sourceVolts - loadVolts) / loopOhms,
            6,
          );
          expect(sourceWatts).toBeCloseTo(watts + loadVolts ** 2 / heaterOhms + lossWatts, 6);
          expect(amps).toBeGreaterThan(0);
        },
      ),
    );
  });
  it('never brings less than the same watts that stay at any volts, while it gets less than its nominal', () => {
    const at = (heaterWatts: number): number =>
      arrivingVolts({ sourceVolts: 12, loopOhms: 3, ...cameraLoad(8, 'dc', heaterWatts) });
    expect(at(6)).toBeGreaterThan(at(0));
  });
});
