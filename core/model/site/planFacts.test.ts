import { describe, expect, it } from 'vitest';
import {
  applyChanges,
  demandsOf,
  fromSiteFile,
  lockChoice,
  productSchema,
  removeThing,
  toSiteFile,
  usualDemands,
  type Change,
  type Product,
  type Site,
} from '.';
import { saltmarrowSite } from './testSite';

const site = saltmarrowSite();
const apply = (...changes: Change[]) => applyChanges(site, changes);
const problems = (...changes: Change[]): string => {
  const applied = apply(...changes);
  return applied.kind === 'refused'
    ? applied.problems.map(({ path, allowed }) => `${path}: ${allowed}`).join('; ')
    : '';
};
const path = site.radioPath['gatehouse-hall']!;
const switchRow = {
  id: 'own-switch',
  kind: 'poe-switch',
  name: 'Own switch',
  each: 99,
  from: 'data-sheet',
  ports: 4,
  watts: 60,
  uplinkMbps: 1000,
  rackUnits: 0,
} as const;

describe('rows of the catalogue as facts', () => {
  it('come through the site file and back', () => {
    const applied = apply({ kind: 'product', id: 'own-switch', set: switchRow });
    if (applied.kind === 'refused') throw new Error('refused');
    const back = fromSiteFile(JSON.parse(JSON.stringify(toSiteFile(applied.value.site))));
    expect(back.kind === 'sound' && back.value.product['own-switch']).toEqual(switchRow);
  });
  it.each<[string, object]>([
    ['a price below nothing', { ...switchRow, each: -1 }],
    ['half a port', { ...switchRow, ports: 1.5 }],
    ['a field of another kind', { ...switchRow, megapixels: 4 }],
    ['no kind', { ...switchRow, kind: 'gadget' }],
    [
      'a table that falls back',
      {
        id: 'c',
        kind: 'converter',
        name: 'c',
        each: 1,
        from: 'data-sheet',
        ownWatts: 1,
        distances: [
          { lengthM: 200, mbps: 50, watts: 10 },
          { lengthM: 100, mbps: 90, watts: 20 },
        ],
      },
    ],
    [
      'a table of one row',
      {
        id: 'c',
        kind: 'converter',
        name: 'c',
        each: 1,
        from: 'data-sheet',
        ownWatts: 1,
        distances: [{ lengthM: 200, mbps: 50, watts: 10 }],
      },
    ],
  ])('%s is refused', (_, row) => expect(productSchema.safeParse(row).success).toBe(false));
  it('a price that nobody knows is null', () =>
    expect(productSchema.safeParse({ ...switchRow, each: null } satisfies Product).success).toBe(true));
});

describe('demands', () => {
  it('are the usual ones until somebody says otherwise, and there is one record of them', () => {
    expect(demandsOf(site)).toBe(usualDemands);
    const applied = apply({ kind: 'demands', id: 'demands', set: { ...usualDemands, years: 5 } });
    expect(applied.kind === 'sound' && demandsOf(applied.value.site).years).toBe(5);
    const file = toSiteFile(site);
    expect(fromSiteFile({ ...file, demands: [{ ...usualDemands, id: 'other' }] }).kind).toBe('refused');
  });
});

describe('radio paths', () => {
  it('lead from and to places of the site, one between two', () => {
    expect(problems({ kind: 'radioPath', id: 'x', set: { ...path, id: 'x', toPlaceId: 'nowhere' } })).toMatch(
      /toPlaceId: the id of a place/,
    );
    expect(problems({ kind: 'radioPath', id: 'x', set: { ...path, id: 'x' } })).toMatch(
      /one radio path between two places/,
    );
  });
  it('keep their places from being removed', () => {
    const empty: Site = {
      ...site,
      run: {},
      camera: {},
      choice: {},
      placement: {},
      reading: {},
      pin: {},
      photo: {},
    };
    expect(removeThing(empty, 'place', 'gatehouse')).toEqual({ kind: 'in-use', by: ['a radio path'] });
  });
});

describe('choices of a plan', () => {
  it('name a plan that is there', () => {
    expect(
      problems({ kind: 'choice', id: 'c01', set: { ...site.choice['c01']!, planId: 'nowhere' } }),
    ).toMatch(/planId: the id of a savedPlan/);
  });
  it('are locked and let go again, and nothing else about them changes', () => {
    const [locked] = lockChoice(site, 'c01', true);
    expect(locked).toMatchObject({ set: { ...site.choice['c01']!, locked: true } });
    const applied = apply(locked!);
    if (applied.kind === 'refused') throw new Error('refused');
    expect(lockChoice(applied.value.site, 'c01', false)).toEqual([
      { kind: 'choice', id: 'c01', set: site.choice['c01'] },
    ]);
    expect(lockChoice(site, 'c08', true)).toEqual([]);
  });
});
