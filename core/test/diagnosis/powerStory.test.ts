import { describe, expect, it } from 'vitest';
import { constantPowerVolts } from '#core/physics/power';
import { createNormal, createRandom } from '#core/shared/random';
import { saltmarrowSite } from '../../model/site/testSite';
import type { QuantityTestId } from '#core/model/site';
import { expectedPowerOhms, nightLoad, dayLoad } from '#core/test/findings';
import type { RunReadings } from '#core/test/readings';
import type { Trouble } from './causes';
import { powerStory } from './powerStory';
import { powerJointOhms, spreads, supplyFaults } from './practice';
import { inputOf } from './testInput';
import { setOf } from './troubleSets';

const site = { ...saltmarrowSite(), reading: {} };
const runId = 'r06';
const read = (test: QuantityTestId, value: number): RunReadings => ({
  [test]: { id: test, runId, at: '2026-04-01T09:00:00Z', by: 'x', instrument: '', test, value },
});
const looked = (...readings: RunReadings[]) =>
  inputOf(site, runId, Object.assign({}, ...readings) as RunReadings);
const plain = looked();
const ohms = expectedPowerOhms(plain.run);
const voltsOf = (share: number, loop: number, load = nightLoad(plain.camera)): number =>
  constantPowerVolts(plain.source.volts * share, loop, load.voltAmps, load.heaterOhms ?? Infinity)!;

const tells = (readings: RunReadings[], ...troubles: Trouble[]): number =>
  powerStory(looked(...readings), null).tells(setOf(...troubles));
const best = (readings: RunReadings[]): string => {
  const choices = [[], ['supply'], ['power-joint'], ['power-construction'], ['camera']] as const;
  const logs = choices.map((of) => tells(readings, ...of));
  return choices[logs.indexOf(Math.max(...logs))]!.join('');
};

describe('what loop and volts tell of the power', () => {
  it('nothing while none is read', () => {
    expect(tells([], 'supply')).toBe(0);
    expect(tells([])).toBe(0);
  });
  it.each([
    ['as they should be', ohms, 1, 1, ''],
    ['a supply that is set low', ohms, 0.88, 0.88, 'supply'],
    ['one that sags at night', ohms, 1, 0.87, 'supply'],
    ['a joint of 5 Ω', ohms + 5, 1, 1, 'power-joint'],
  ] as const)('%s', (_, loop, day, night, said) => {
    expect(
      best([
        read('power-loop-ohms', loop + 0.1),
        read('day-volts', voltsOf(day, loop, dayLoad(plain.camera))),
        read('night-volts', voltsOf(night, loop)),
      ]),
    ).toBe(said);
  });
  it('a camera that takes nothing leaves the volts of its source', () => {
    expect(
      best([
        read('power-loop-ohms', ohms + 0.1),
        read('day-volts', plain.source.volts),
        read('night-volts', plain.source.volts),
      ]),
    ).toBe('camera');
  });
  it('the density of volts at night is that of a supply, a joint and a camera drawn at random', () => {
    const random = createRandom(7);
    const normal = createNormal(random);
    const factors = { dc: [1], ac: [0.65, 0.8, 1] }[plain.source.current];
    const draw = (isFaulty: boolean, hasJoint: boolean): number => {
      const rail = 1 + spreads.rail * normal();
      const { low, sags, from, to, highShare } = supplyFaults;
      const share = !isFaulty
        ? 1
        : random() < low + sags
          ? 1 - (from + random() * (to - from))
          : 1 + highShare;
      const noted = plain.run.segments.reduce((sum, { spreadM }) => sum + spreadM, 0);
      const lengthM = plain.run.segments.reduce((sum, segment) => sum + segment.lengthM, 0);
      const loop = ohms * (1 + Math.hypot(spreads.construction, 0.015, noted / lengthM) * normal());
      const joint = hasJoint
        ? Math.exp(
            Math.log(powerJointOhms.from) + random() * Math.log(powerJointOhms.to / powerJointOhms.from),
          )
        : 0;
      const load = nightLoad(plain.camera);
      const factor = factors[Math.floor(random() * factors.length)]!;
      const source = plain.source.volts * rail * share;
      const at =
        constantPowerVolts(source, loop + joint, load.voltAmps * factor, load.heaterOhms ?? Infinity) ??
        0.45 * source;
      return at + Math.hypot(0.04, 0.004 * at, spreads.watts * (source - at)) * normal();
    };
    const width = 0.3;
    for (const [isFaulty, hasJoint, share] of [
      [false, false, 1],
      [false, false, 0.99],
      [true, false, 0.93],
      [true, false, 0.84],
      [false, true, 0.96],
      [false, true, 0.8],
    ] as const) {
      const volts = voltsOf(share, ohms);
      let hits = 0;
      const count = 200_000;
      for (let k = 0; k < count; k += 1)
        if (Math.abs(draw(isFaulty, hasJoint) - volts) < width / 2) hits += 1;
      const drawn = hits / count / width;
      const told = Math.exp(
        tells(
          [read('night-volts', volts)],
          ...(isFaulty ? (['supply'] as const) : []),
          ...(hasJoint ? (['power-joint'] as const) : []),
        ),
      );
      // Both are coarse: steps of the grid here, a window of volts there. And some of what is told is misreading.
      expect(told, `${isFaulty} ${hasJoint} ${share}`).toBeGreaterThan(0.6 * drawn);
      expect(told, `${isFaulty} ${hasJoint} ${share}`).toBeLessThan(1.6 * drawn + 0.003);
    }
  });
});
