import { expect, it } from 'vitest';
import { saltmarrowSite } from '../../model/site/testSite';
import type { QuantityTestId } from '#core/model/site';
import type { RunReadings } from '#core/test/readings';
import { earthStory } from './earthStory';
import { inputOf } from './testInput';
import { setOf } from './troubleSets';

const site = { ...saltmarrowSite(), reading: {} };
const read = (test: QuantityTestId, value: number): RunReadings => ({
  [test]: { id: 'x', runId: 'r17', at: '2026-04-01T09:00:00Z', by: 'x', instrument: '', test, value },
});
/** How much readings speak for ends on different earths. */
const weight = (readings: RunReadings): number => {
  const { tells } = earthStory(inputOf(site, 'r17', readings));
  return tells(setOf('earth-difference')) - tells(0);
};

it('grows with the volts between the earths, without a step anywhere', () => {
  const weights = [0.2, 0.5, 1, 1.5, 1.9, 2.1, 3, 5].map((volts) =>
    weight(read('shield-earth-volts', volts)),
  );
  for (let k = 1; k < weights.length; k += 1) expect(weights[k]!).toBeGreaterThan(weights[k - 1]!);
  expect(weights[0]!).toBeLessThan(-3);
  expect(weights.at(-1)!).toBeGreaterThan(3);
  expect(
    Math.abs(weight(read('shield-earth-volts', 2.01)) - weight(read('shield-earth-volts', 1.99))),
  ).toBeLessThan(0.1);
});

it('hears AC only where nobody read between the earths: they are the same volts once more', () => {
  const shield = read('shield-earth-volts', 4);
  expect(weight({ ...shield, ...read('foreign-ac-volts', 3) })).toBeCloseTo(weight(shield), 12);
  expect(weight(read('foreign-ac-volts', 3))).toBeGreaterThan(1);
  expect(weight(read('foreign-ac-volts', 3))).toBeLessThan(weight(shield));
  expect(weight({})).toBe(0);
});
