import { describe, expect, it } from 'vitest';
import { anyLine } from '#core/decide/risk';
import type { MeasuredMargin } from '#core/signoff/predicted';
import type { Scenario } from '#core/test/scenarios';
import { agreementOf, type PredictedFigure } from '.';

/** Volts that fall by half a volt for each standard deviation of the loop, and by a tenth for each of the load. */
const volts: MeasuredMargin = {
  kind: 'night-volts',
  label: 'volts by night',
  unit: 'V',
  value: 12,
  utilisation: 0.5,
  status: 'holds',
  basis: 'typical',
  unread: true,
  derivation: () => ({ title: '', steps: [], conclusion: '' }),
  under: () => 0.5,
  valueUnder: ({ powerOhms, load }: Scenario) => 12 - 0.5 * powerOhms - 0.1 * load,
};

const camera = (number: number, read: number | null, ...kin: string[]): PredictedFigure => ({
  cameraId: `c${number}`,
  number,
  check: 'lamp-volts',
  margin: volts,
  line: anyLine,
  limit: { least: 11.4, most: null },
  read,
  kin: kin.map((name) => ({ by: 'print', name })),
});

describe('readings against what was predicted', () => {
  it('count those in the interval that was to hold nine in ten', () => {
    const { inside, of } = agreementOf([camera(1, 12.1), camera(2, 11.3), camera(3, 10.5), camera(4, null)]);
    expect({ inside, of }).toEqual({ inside: 2, of: 3 });
  });

  it('tell nothing shared of one run, nor of several that are off to either side', () => {
    expect(agreementOf([camera(1, 10.6, 'reel a')]).differences).toEqual([]);
    const both = [camera(1, 11, 'reel a'), camera(2, 13, 'reel a'), camera(3, 12, 'reel a')];
    expect(agreementOf(both).differences).toEqual([]);
  });

  it('name what runs of one print share, and what that makes of the next', () => {
    const [difference, ...others] = agreementOf([
      camera(4, 11, 'reel a', 'quay'),
      camera(2, 10.9, 'reel a', 'hall'),
      camera(7, null, 'reel a'),
      camera(8, 12.1, 'quay'),
      camera(9, null, 'quay'),
    ]).differences;
    expect(others).toEqual([]);
    expect(difference).toMatchObject({ kin: { by: 'print', name: 'reel a' }, numbers: [2, 4] });
    expect(difference!.percent).toBeCloseTo(100 * (10.95 / 12 - 1), 6);
    expect(difference!.reason).toContain('More ohms in the power cores');
    // Two deviations on average of runs whose own part is 0.8 and whose load and meter are 0.3: the shared part by hand.
    expect(difference!.shift.mean).toBeGreaterThan(1.0);
    expect(difference!.shift.mean).toBeLessThan(1.4);
    const [next, ...rest] = difference!.toCome;
    expect(rest).toEqual([]);
    expect(next!.number).toBe(7);
    expect(next!.now.value).toBeCloseTo(12 - 0.5 * difference!.shift.mean, 9);
    expect(next!.meets).toBe('maybe');
    expect(next!.now.high).toBeLessThan(next!.before.high);
  });

  it('say when figures are better than was thought', () => {
    const [difference] = agreementOf([camera(1, 13, 'reel b'), camera(2, 13.1, 'reel b')]).differences;
    expect(difference!.reason).toContain('Fewer ohms');
  });

  it('give no reason for what depends on nothing that was guessed', () => {
    const promised: MeasuredMargin = { ...volts, valueUnder: () => 95 };
    const read = [1, 2, 3].map((n) => ({ ...camera(n, 70, 'reel a'), margin: promised }));
    expect(agreementOf(read)).toMatchObject({ inside: 0, of: 3, differences: [] });
  });
});
