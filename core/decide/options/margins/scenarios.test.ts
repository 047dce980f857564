import { describe, expect, it } from 'vitest';
import { catalogueOf } from '#core/model/catalogue';
import { evaluateRuns } from '#core/decide/runEvaluation';
import { statusOf } from '#core/shared/derivation';
import { poeClasses } from '#core/physics/power';
import { asKnown, bestCase, coaxReachUnder, pessimistic, worstCase } from '#core/test/scenarios';
import { readingsByRun } from '#core/test/readings';
import { usesOf } from '#core/test/uses';
import type { Product, Site } from '#core/model/site';
import { saltmarrowSite } from '../../../model/site/testSite';

const demo = saltmarrowSite();
const converter = catalogueOf(demo).products.get('coax-converter')! as Extract<
  Product,
  { kind: 'converter' }
>;
const withTable = (watts: number): Site => ({
  ...demo,
  product: {
    'coax-converter': {
      ...converter,
      distances: [
        { lengthM: 200, mbps: 80, watts },
        { lengthM: 500, mbps: 40, watts: watts * 0.8 },
      ],
    },
  },
});
const without = (site: Site): Site => ({ ...site, reading: {} });

describe('a margin under a scenario in which everything is as known', () => {
  it.each([
    ['the demo', demo],
    ['nothing read', without(demo)],
    ['a table that promises much, nothing read', without(withTable(28))],
    ['a table that promises little, nothing read', without(withTable(6))],
    ['a table and readings', withTable(28)],
  ])('uses as much of its limit as the margin itself: %s', (_, site) => {
    const margins = evaluateRuns(site).flatMap(({ options }) =>
      options.flatMap((option) => (option.state === 'no' ? [] : option.margins)),
    );
    expect(margins.length).toBeGreaterThan(50);
    for (const margin of margins) expect(margin.under(asKnown)).toBeCloseTo(margin.utilisation, 6);
  });
});

describe('a scenario of steel', () => {
  it('leaves no more than the loop of steel lets through, whatever a data sheet promises for copper', () => {
    const steel = { ...asKnown, coaxTimes: 3 };
    let held = 0;
    for (const { findings, options } of evaluateRuns(without(withTable(28)))) {
      const pair = options.find(({ kind }) => kind === 'ip-coax-pair');
      if (!pair || pair.state === 'no') continue;
      const { utilisation, value, under } = pair.margins.find(({ kind }) => kind === 'watts')!;
      const reaches = coaxReachUnder(findings.coaxLoop, poeClasses[8].sourceWatts, steel);
      expect((utilisation * value) / under(steel)).toBeLessThanOrEqual(reaches - converter.ownWatts + 1e-9);
      held += 1;
    }
    expect(held).toBeGreaterThan(15);
  });
});

describe('what a run is fit for and what an option holds with', () => {
  it.each([
    ['the demo', demo],
    ['nothing read', without(demo)],
  ])('agree on the best and the worst that is not known: %s', (_, site) => {
    let compared = 0;
    const read = readingsByRun(site);
    for (const { camera, run, findings, options } of evaluateRuns(site)) {
      const { uses } = usesOf(site, run, camera, findings, read.get(run.id) ?? {});
      const useOf = (id: string) => uses.find((use) => use.id === id);
      for (const option of options) {
        if (option.state === 'no' || option.kind !== 'keep') continue;
        for (const margin of option.margins) {
          const unit = { 'picture-loss': 'dB', 'night-volts': 'V' }[margin.kind as string];
          const same = useOf(camera.format)?.margins.find(
            (one) => one.unit === unit && one.label !== 'different earths',
          );
          if (!same || findings.verdicts.some(({ id, state }) => id === 'day-volts' && state === 'fails'))
            continue;
          expect([camera.number, same.range.worst, same.range.best]).toEqual([
            camera.number,
            statusOf(margin.under(worstCase)),
            statusOf(margin.under(bestCase)),
          ]);
          compared += 1;
        }
      }
    }
    expect(compared).toBeGreaterThan(20);
  });

  it('what is demanded pessimistically is never better than what is known', () => {
    for (const { options } of evaluateRuns(without(demo)))
      for (const option of options)
        if (option.state !== 'no')
          for (const margin of option.margins)
            expect(margin.under(pessimistic)).toBeGreaterThanOrEqual(margin.under(asKnown) - 1e-9);
  });
});
