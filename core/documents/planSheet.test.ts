import { describe, expect, it } from 'vitest';
import { catalogueOf } from '#core/model/catalogue';
import { evaluateSite } from '#core/evaluate';
import { policies } from '#core/decide/plan';
import { usualDemands, type SavedPlan, type Product, type Site } from '#core/model/site';
import { saltmarrowSite } from '../model/site/testSite';
import { planSheet } from '.';

const site = saltmarrowSite();
const sheetOf = (at: Site) => planSheet(at, evaluateSite(at));

describe('the sheet for the customer', () => {
  it('says every policy that is followed, whatever is demanded beside', () => {
    const { heeds } = sheetOf({
      ...site,
      demands: {
        demands: { ...usualDemands, caps: { cost: 15_000, darkHours: 20, hours: 80 }, sparePercent: 10 },
      },
    });
    for (const { label } of policies) expect(heeds.some((line) => line.startsWith(`${label}: `))).toBe(true);
    expect(heeds.join(' ')).toMatch(
      /At most 15.000\..*dark for at most 20\.0 h.*80\.0 h of labour.*10 % of every limit/,
    );
  });
  it('names the plan that was adopted, by whom, when and how sure it is', () => {
    const plan: SavedPlan = {
      id: 'p',
      name: 'Plan B',
      by: 'R. Tolland',
      at: '2026-04-01T09:00:00Z',
      pinned: false,
      options: { c01: 'ip-coax-unit' },
      buys: [],
      demands: usualDemands,
      proof: { kind: 'gap', percent: 1.25 },
    };
    const choice = { ...site.choice, c01: { ...site.choice['c01']!, planId: 'p' } };
    expect(sheetOf({ ...site, savedPlan: { p: plan }, choice }).heeds[0]).toBe(
      'Plan B, adopted by R. Tolland on 2026-04-01, within 1.3 % of the least cost.',
    );
    expect(
      sheetOf({ ...site, savedPlan: { p: { ...plan, proof: { kind: 'proven' } } }, choice }).heeds[0],
    ).toMatch(/proven to cost least/);
  });
  it('counts what the cameras become', () => {
    const { becomes } = sheetOf(site);
    expect(becomes.reduce((sum, { count }) => sum + count, 0)).toBe(Object.keys(site.choice).length);
    expect(becomes[0]!.count).toBeGreaterThanOrEqual(becomes.at(-1)!.count);
    // A view that nobody agreed to lose becomes nothing; that it was chosen is an open point.
    const c04 = { id: 'c04', option: 'retire', at: '2026-04-01T09:00:00Z', by: 'R. Tolland' } as const;
    const retiring = sheetOf({ ...site, choice: { ...site.choice, c04 } });
    expect(retiring.becomes).toEqual(becomes);
    expect(retiring.open.join(' ')).toMatch(/Camera 4: what was chosen does not hold/);
  });
  it('a part without a price has none on the sheet either', () => {
    const converter = { ...catalogueOf(site).products.get('coax-converter')!, each: null } as Product;
    const { parts } = sheetOf({ ...site, product: { 'coax-converter': converter } });
    expect(parts.find(({ label }) => label === converter.name)).toMatchObject({ each: null, cost: null });
  });
  it('says what rounding camera by camera makes of its metres, never more than half a unit for each', () => {
    const roundedOf = (at: Site) => {
      const { parts } = sheetOf(at);
      return parts.find(({ label }) => label === 'Rounded camera by camera')?.cost ?? 0;
    };
    const decided = Object.keys(site.choice).length;
    expect(Math.abs(roundedOf(site))).toBeGreaterThan(0);
    expect(Math.abs(roundedOf(site))).toBeLessThanOrEqual(decided / 2);
    const { c18, c20, ...others } = site.choice;
    expect([c18?.option, c20?.option]).toEqual(['new-category', 'new-category']);
    expect(roundedOf({ ...site, choice: others })).toBe(0);
  });
  it('what falls due again grows with the years', () => {
    const over = (years: number) =>
      sheetOf({ ...site, demands: { demands: { ...usualDemands, years } } }).renewals.cost;
    expect(over(2)).toBe(0);
    expect(over(20)).toBeGreaterThan(over(10));
  });
});
