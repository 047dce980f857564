import { describe, expect, it } from 'vitest';
import { anyLine, type OptionLine } from '#core/decide/risk';
import { asNoted } from '#core/test/scenarios';
import { predictedOf, sampledUtilisations, type MeasuredMargin } from '.';

/** Watts that arrive: 24 less one for each tenth that the loop is over what its table promises. */
const watts = (): MeasuredMargin => ({
  kind: 'watts',
  label: 'watts that arrive',
  unit: 'W',
  value: 24,
  utilisation: 0.5,
  status: 'holds',
  basis: 'typical',
  unread: true,
  derivation: () => ({ title: '', steps: [], conclusion: '' }),
  under: ({ coaxTimes, coaxOhms }) => 12 / (24 - 10 * (coaxTimes * (1 + 0.12 * coaxOhms) - 1)),
  valueUnder: ({ coaxTimes, coaxOhms }) => 24 - 10 * (coaxTimes * (1 + 0.12 * coaxOhms) - 1),
});
/** A line whose loop is twice its table’s in a share of cases, and just that in the others. */
const doubled = (share: number): OptionLine => ({
  belief: { draws: ({ even }) => ({ ...asNoted, coaxTimes: even() < share ? 2 : 1 }), steelChance: share },
  coaxThought: true,
  coresThought: false,
});

describe('what an instrument will read', () => {
  it('is as wide as what is believed of the line: sure of copper, or half in doubt', () => {
    const sure = predictedOf({ margin: watts(), line: doubled(0) });
    // The meter alone is left, one in a hundred of 24 W.
    expect(sure.high - sure.low).toBeCloseTo(2 * 1.645 * 0.24, 1);
    const doubtful = predictedOf({ margin: watts(), line: doubled(0.5) });
    expect(doubtful.low).toBeCloseTo(14, 0);
    expect(doubtful.value).toBe(24);
  });
  it('is worked out anew once something else is believed of the same line', () => {
    const margin = watts();
    const before = predictedOf({ margin, line: doubled(0) });
    expect(predictedOf({ margin, line: doubled(0.5) }).low).toBeLessThan(before.low - 5);
  });
  it('goes by what is known of a loop in place of what is believed, but for steel that nobody ruled out', () => {
    const about = { coaxOhms: { mean: 0, deviation: 0 } };
    const used = (line: OptionLine) => sampledUtilisations({ margin: watts(), line }, about);
    expect(new Set(used(anyLine))).toEqual(new Set([0.5]));
    // Steel has three times the ohms of copper: 12 W of the 4 that are left.
    const steel = used(doubled(0.25)).filter((one) => one > 0.5);
    expect(steel.length / 400).toBeCloseTo(0.25, 1);
    expect(steel[0]).toBeCloseTo(12 / 4, 9);
  });
});
