import { describe, expect, it } from 'vitest';
import { constantPowerVolts } from '#core/physics/power';
import { saltmarrowSite } from '../../model/site/testSite';
import { withChanges, type PowerLead, type Site } from '#core/model/site';
import { feedSource, expectedPowerOhms, leadVolts, worstLoad, type Lead } from '.';

/** Volts at which a lead splits, by bisection of what is left over: another way than the one that is tested. */
function byBisection(setVolts: number, { ohms, loads }: Lead): number {
  const left = (volts: number): number => {
    const amps = loads.map(({ loopOhms, voltAmps, heaterOhms }) => {
      const arriving = constantPowerVolts(volts, loopOhms, voltAmps, heaterOhms ?? Infinity);
      return arriving === undefined ? Infinity : voltAmps / arriving + arriving / (heaterOhms ?? Infinity);
    });
    return setVolts - ohms * amps.reduce((sum, one) => sum + one, 0) - volts;
  };
  let [low, high] = [0.6 * setVolts, setVolts];
  for (let step = 0; step < 60; step += 1) {
    const middle = (low + high) / 2;
    if (left(middle) > 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

describe('a lead that cameras share', () => {
  it('leaves what is left of the rail by the sum of their amps, by hand', () => {
    // Two of 6 W at the very split: I = 12 W / V, and V² − 13·V + 0.5·12 = 0.
    const lead = { ohms: 0.5, loads: Array.from({ length: 2 }, () => ({ voltAmps: 6, loopOhms: 0 })) };
    const byHand = (13 + Math.sqrt(13 ** 2 - 4 * 6)) / 2;
    expect(leadVolts(13, lead).volts).toBeCloseTo(byHand, 5);
    expect(leadVolts(13, lead).amps).toBeCloseTo(12 / byHand, 5);
  });
  it('is one loop more for a camera that is alone on it', () => {
    const { volts } = leadVolts(12.6, { ohms: 0.8, loads: [{ voltAmps: 5, loopOhms: 3 }] });
    expect(constantPowerVolts(volts, 3, 5, Infinity)).toBeCloseTo(
      constantPowerVolts(12.6, 3.8, 5, Infinity)!,
      5,
    );
  });
  it.each([2, 5, 8])('is what bisection finds with %i cameras, heaters among them', (count) => {
    const loads = Array.from({ length: count }, (_, k) => ({
      voltAmps: 3 + (k % 3),
      loopOhms: 0.4 + 0.3 * k,
      ...(k % 2 === 0 ? { heaterOhms: 60 } : {}),
    }));
    const lead = { ohms: 0.25, loads };
    expect(leadVolts(13.2, lead).volts).toBeCloseTo(byBisection(13.2, lead), 4);
  });
  it('leaves nothing where it cannot bring what is asked', () => {
    const loads = Array.from({ length: 8 }, () => ({ voltAmps: 12, loopOhms: 0.5 }));
    expect(leadVolts(12.6, { ohms: 0.9, loads }).volts).toBe(0);
  });
});

describe('what feeds a run behind a lead', () => {
  const demo = saltmarrowSite();
  const lead: PowerLead = {
    cable: 'power-2x18-cu',
    outCores: 1,
    backCores: 1,
    lengthM: 15,
    temperatureC: 20,
  };
  /** Runs of three desks on one output, behind a lead or straight on it. */
  function together(withLead: boolean): Site {
    const box = demo.supply['hall-box']!;
    const outputs = box.outputs.map((one) => (one.number === 1 && withLead ? { ...one, lead } : one));
    const moved = ['r01', 'r02', 'r03'].map((id) => {
      const run = demo.run[id]!;
      return { ...run, feed: { kind: 'along-run' as const, supplyId: box.id, output: 1 } };
    });
    return withChanges(demo, [
      { kind: 'supply', id: box.id, set: { ...box, outputs } },
      ...moved.map((run) => ({ kind: 'run' as const, id: run.id, set: run })),
    ]);
  }
  it('is the rail less what the lead takes for all of them, and says so', () => {
    const [straight, behind] = [together(false), together(true)].map((site) =>
      feedSource(site, site.run['r02']!),
    );
    expect(straight).toMatchObject({ volts: 12.6, isNoted: true });
    expect(behind!.isNoted).toBe(false);
    const loads = ['r01', 'r02', 'r03'].map((id) => {
      const run = demo.run[id]!;
      return { ...worstLoad(demo.camera[run.cameraId]!), loopOhms: expectedPowerOhms(run) };
    });
    // 15 m of 18 AWG, out and back: 20.95 Ω/km of copper at 20 °C.
    const ohms = 2 * 0.015 * 20.95;
    expect(behind!.volts).toBeCloseTo(byBisection(12.6, { ohms, loads }), 2);
    expect(behind!.highestVolts).toBe(12.6);
    expect(behind!.name).toMatch(/^.*, output 1, behind the lead of 3 cameras, [\d.]+ A over 0\.6 Ω$/);
  });
  it('counts loads that may come where it is asked for them', () => {
    const site = together(true);
    const more = feedSource(site, site.run['r02']!, (camera) => ({
      voltAmps: 2 * worstLoad(camera).voltAmps,
    }));
    expect(more.volts).toBeLessThan(feedSource(site, site.run['r02']!).volts);
  });
});
