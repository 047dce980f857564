import { describe, expect, it } from 'vitest';
import { catalogueOf } from '#core/model/catalogue';
import { evaluateRuns } from '#core/decide/runEvaluation';
import { asKnown } from '#core/decide/scenarios';
import type { Product, Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';

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
