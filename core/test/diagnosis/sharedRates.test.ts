import { describe, expect, it } from 'vitest';
import { saltmarrowSite } from '../../model/site/testSite';
import type { Run } from '#core/model/site';
import { causes, type Belief, type Cause } from './causes';
import { rates, sharing } from './practice';
import { sharedRates, type OtherRun } from './sharedRates';

const site = saltmarrowSite();
const like = (id: string, print?: string): Run => ({
  ...site.run['r14']!,
  id,
  segments: site.run['r14']!.segments.map(({ print: _, ...segment }) =>
    print ? { ...segment, print } : segment,
  ),
});
const believing = (cause: Cause, chance: number): Belief => ({
  ...(Object.fromEntries(causes.map((one) => [one, 0])) as Belief),
  [cause]: chance,
});
/** A run whose loop was read. */
const tested = (run: Run, belief: Belief): OtherRun => ({
  run,
  readings: { 'coax-loop-ohms': site.reading['r14-coax-loop-ohms']! } as OtherRun['readings'],
  belief: () => belief,
});
const steel = believing('coax-construction', 1);
const copper = believing('sound', 1);

describe('what runs have in common', () => {
  it('three runs of a print that are steel make the fourth likely, three of copper make it unlikely', () => {
    const own = like('own', 'FERRY 75');
    const three = ['a', 'b', 'c'].map((id) => like(id, 'FERRY 75'));
    const rateOf = (belief: Belief) =>
      sharedRates(three.map((run) => tested(run, belief)))(own)['coax-construction']!;
    // By hand: (0.03 · 3 + 3) / (3 + 3), and (0.03 · 3) / 6.
    expect(rateOf(steel).rate).toBeCloseTo((rates['coax-construction'] * sharing.construction + 3) / 6, 12);
    expect(rateOf(steel).rate).toBeGreaterThan(0.5);
    expect(rateOf(copper).rate).toBeLessThan(rates['coax-construction']);
    expect(rateOf(steel).message).toBe('3 of 3 tested runs with the same cable and print have it');
  });
  it('another print says nothing, and neither does the run itself', () => {
    const own = like('own', 'FERRY 75');
    expect(
      sharedRates([tested(like('a', 'PIER 75'), steel), tested(own, steel)])(own)['coax-construction'],
    ).toBeUndefined();
  });
  it('without a print nobody knows that two cables are alike', () => {
    expect(sharedRates([tested(like('a'), steel)])(like('own'))['coax-construction']).toBeUndefined();
  });
  it('a run on which nothing was read that would tell says nothing either', () => {
    const own = like('own', 'FERRY 75');
    const untold: OtherRun = { ...tested(like('a', 'FERRY 75'), steel), readings: {} };
    expect(sharedRates([untold])(own)['coax-construction']).toBeUndefined();
    expect(
      sharedRates([untold, tested(like('b', 'FERRY 75'), steel)])(own)['coax-construction']!.message,
    ).toBe('1 of 1 tested runs with the same cable and print have it');
  });
  it('more runs that have it make it likelier, never less', () => {
    const own = like('own', 'FERRY 75');
    const rateOf = (count: number): number =>
      sharedRates(Array.from({ length: count }, (_, k) => tested(like(`x${k}`, 'FERRY 75'), steel)))(own)[
        'coax-construction'
      ]!.rate;
    for (let count = 1; count < 8; count += 1) expect(rateOf(count + 1)).toBeGreaterThan(rateOf(count));
  });
});
