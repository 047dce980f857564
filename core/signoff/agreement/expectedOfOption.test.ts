import { expect, it } from 'vitest';
import { anyLine } from '#core/decide/risk';
import type { MeasuredMargin } from '#core/signoff/predicted';
import type { Scenario } from '#core/test/scenarios';
import { expectedOfOption, type SharedDifference } from '.';
import { expectedMarginInWords } from './words';

/** Volts that fall by half a volt for each standard deviation of the loop; at least `least` of them are needed. */
const volts = (least: number): MeasuredMargin => ({
  kind: 'night-volts',
  label: 'Volts by night',
  unit: 'V',
  value: 12,
  utilisation: least / 12,
  status: 'holds',
  basis: 'typical',
  unread: true,
  derivation: () => ({ title: '', steps: [], conclusion: '' }),
  under: ({ powerOhms }: Scenario) => least / (12 - 0.5 * powerOhms),
  valueUnder: ({ powerOhms }: Scenario) => 12 - 0.5 * powerOhms,
});
/** Two runs of a reel are off by two standard deviations together. */
const difference: SharedDifference = {
  check: 'lamp-volts',
  kin: { by: 'reel', name: 'R-7' },
  driver: 'powerOhms',
  numbers: [2, 4],
  percent: -8.6,
  shift: { mean: 2, deviation: 0.3 },
  reason: '',
  toCome: [],
};
const kin = [{ by: 'reel', name: 'r-7' }] as const;
const of = (least: number, number = 7, shares: Parameters<typeof expectedOfOption>[2]['kin'] = kin) =>
  expectedOfOption({ margins: [volts(least)] }, anyLine, { number, kin: shares }, [difference]);

it('moves a figure by what runs of a kind share, by hand: half a volt for each of two deviations', () => {
  const [one] = of(8);
  expect(one!.before.value).toBe(12);
  expect(one!.now.value).toBeCloseTo(11, 9);
  // One own part of 0.8 and what is not known of the shared one, 0.3, with a meter of one in a hundred: 1.645 of them to each side.
  const spread = Math.hypot(0.5 * Math.hypot(0.8, 0.3), 0.11);
  expect(one!.now.high - one!.now.low).toBeCloseTo(2 * 1.645 * spread, 0);
});
it('holds surely, by its middle, or not, by how much of the limit is used', () => {
  expect([9, 10.8, 11.4].map((least) => of(least)[0]!.meets)).toEqual(['surely', 'maybe', 'hardly']);
});
it('says nothing of a run that was read itself, nor of one that shares nothing, nor of other figures', () => {
  expect(of(8, 4)).toEqual([]);
  expect(of(8, 7, [{ by: 'place', name: 'R-7' }])).toEqual([]);
  expect(
    expectedOfOption({ margins: [{ ...volts(8), kind: 'link-rate' }] }, anyLine, { number: 7, kin }, [
      difference,
    ]),
  ).toEqual([]);
});
it('leaves out what stays where it was', () => {
  const still = { ...difference, shift: { mean: 0.1, deviation: 0.3 } };
  expect(expectedOfOption({ margins: [volts(8)] }, anyLine, { number: 7, kin }, [still])).toEqual([]);
});
it('says it in a sentence', () => {
  expect(expectedMarginInWords(of(11.4)[0]!)).toMatch(
    /^Volts by night: now expected at 11\.0 V \(10\.\d+ V to 11\.\d+ V\), before 12\.0 V, because cameras 2 and 4 from the reel R-7 read 9 % below what was predicted\. It does not hold by it\.$/,
  );
});
