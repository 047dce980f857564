import { describe, expect, it } from 'vitest';
import type { QuantityTestId } from '#core/model/site';
import { constantPowerVolts, type CameraLoad } from '#core/physics/power';
import { createNormal, createRandom } from '#core/shared/random';
import { dayLoad, expectedCoaxOhms, expectedPowerOhms, nightLoad } from '#core/test/findings';
import type { RunReadings } from '#core/test/readings';
import type { UnseenLine } from '#core/test/scenarios';
import { saltmarrowSite } from '../../model/site/testSite';
import type { Trouble } from './causes';
import { expectedReadings } from './expectedReadings';
import { lineDraws } from './lineDraws';
import { posteriorOf } from './posterior';
import { rates } from './practice';
import { inputOf } from './testInput';

const site = { ...saltmarrowSite(), reading: {} };
const runId = 'r06';
const common = { runId, at: '2026-04-01T09:00:00Z', by: 'x', instrument: '' };
const read = (test: QuantityTestId, value: number): RunReadings => ({
  [test]: { id: test, ...common, test, value },
});
const seen = (...symptoms: 'no-picture'[]): RunReadings => ({
  picture: { id: 'picture', ...common, test: 'picture', symptoms },
});
const drawnOf = 20_000;

/** Lines that are drawn of a run with these readings. */
function drawn(readings: RunReadings, mended: Trouble[] = []): UnseenLine[] {
  const looked = inputOf(site, runId, readings);
  const draws = lineDraws(looked, posteriorOf(looked), mended);
  const even = createRandom(11);
  const chance = { even, gauss: createNormal(even) };
  return Array.from({ length: drawnOf }, () => draws(chance));
}

const share = (lines: readonly UnseenLine[], is: (line: UnseenLine) => boolean): number =>
  lines.filter(is).length / lines.length;
const quantiles = (values: number[]): [number, number, number] => {
  const sorted = values.sort((a, b) => a - b);
  const at = (part: number): number => sorted[Math.floor(part * sorted.length)]!;
  return [at(0.05), at(0.5), at(0.95)];
};
const plain = inputOf(site, runId);
const coresOhms = expectedPowerOhms(plain.run);

describe('lines that are drawn of a run that nobody has read', () => {
  const lines = drawn({});
  it('have faults as often as runs have them', () => {
    // Sets of a third trouble are rarely thought of, so that each comes a little less often than its rate.
    const faulty = share(lines, ({ unseenDb }) => unseenDb > 0);
    const either = rates.joint + rates.water;
    expect(faulty).toBeGreaterThan(0.8 * either);
    expect(faulty).toBeLessThan(1.1 * either);
    const tapped = share(lines, ({ hasUnseenTap }) => hasUnseenTap);
    expect(tapped).toBeGreaterThan(0.8 * rates.tap);
    expect(tapped).toBeLessThan(1.1 * rates.tap);
  });
  it('read what the bench expects to read', () => {
    const [low, middle, high] = quantiles(
      lines.map(({ coaxTimes }) => coaxTimes * expectedCoaxOhms(plain.run.segments)),
    );
    const expected = expectedReadings(plain, posteriorOf(plain))['coax-loop-ohms']!;
    expect(middle / expected.middle).toBeCloseTo(1, 1);
    // The bench tells the shortest interval, which lies a little lower where the upper tail is long.
    expect(low / expected.low).toBeGreaterThan(0.93);
    expect(high / expected.high).toBeGreaterThan(0.95);
    expect(high / expected.high).toBeLessThan(2);
  });
  it('carry what they carry today: nobody has seen a picture fail', () => {
    expect(share(lines, ({ unseenDb }) => unseenDb >= 60)).toBe(0);
  });
});

describe('lines that are drawn of a run with readings', () => {
  it('are broken as often as a picture that is not there makes likely', () => {
    expect(share(drawn(seen('no-picture')), ({ unseenDb }) => unseenDb >= 60)).toBeGreaterThan(0.1);
    expect(share(drawn(seen()), ({ unseenDb }) => unseenDb >= 60)).toBeLessThan(0.01);
  });
  it('have the cores that low volts tell of', () => {
    const behind = ({ voltAmps, heaterOhms }: CameraLoad): number =>
      constantPowerVolts(plain.source.volts, 2 * coresOhms, voltAmps, heaterOhms ?? Infinity)!;
    const [, usual] = quantiles(drawn({}).map(({ powerTimes }) => powerTimes));
    const lines = drawn({
      ...read('night-volts', behind(nightLoad(plain.camera))),
      ...read('day-volts', behind(dayLoad(plain.camera))),
    });
    expect(usual).toBeCloseTo(1, 1);
    expect(share(lines, ({ powerTimes }) => powerTimes > 1.6)).toBeGreaterThan(0.4);
  });
  it('have no joint any more that is remade before', () => {
    const high = read('power-loop-ohms', coresOhms + 4);
    const [, before] = quantiles(drawn(high).map(({ powerTimes }) => powerTimes * coresOhms));
    const [, after] = quantiles(drawn(high, ['power-joint']).map(({ powerTimes }) => powerTimes * coresOhms));
    expect(before).toBeCloseTo(coresOhms + 4, 0);
    expect(after).toBeLessThan(coresOhms + 1.5);
  });
});
