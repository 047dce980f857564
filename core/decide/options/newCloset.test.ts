import { describe, expect, it } from 'vitest';
import { evaluateSite } from '#core/evaluate';
import type { Link, Place, Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { totalOf, type FeasibleOption, type Option } from '.';

const demo = saltmarrowSite();
const toHut: Link = {
  id: 'office-hut',
  name: 'Office to quay hut',
  fromPlaceId: 'marshalling',
  toPlaceId: 'quay-hut',
  medium: 'fibre',
  lengthM: 240,
  carriesMbps: 1000,
  state: 'planned',
};
/** Two quay cameras whose new cable would come from the quay hut, where nobody has a closet. */
const quay = ['r15', 'r16'];
function fromHut(hut: Partial<Place> = {}, link: Site['link'] = { [toHut.id]: toHut }): Site {
  const runs = quay.map((id, at) => {
    const newRoute = { kind: 'open' as const, fromPlaceId: 'quay-hut', lengthM: 40 + 20 * at };
    return [id, { ...demo.run[id]!, newRoute }] as const;
  });
  return {
    ...demo,
    link,
    place: { ...demo.place, 'quay-hut': { ...demo.place['quay-hut']!, ...hut } },
    run: { ...demo.run, ...Object.fromEntries(runs) },
  };
}
const optionOf = (at: Site, runId: string, kind: Option['kind'] = 'new-category'): Option =>
  evaluateSite(at)
    .runs.find(({ run }) => run.id === runId)!
    .options.find((option) => option.kind === kind)!;
const feasible = (at: Site, runId: string): FeasibleOption => {
  const option = optionOf(at, runId);
  if (option.state === 'no') throw new Error(option.why);
  return option;
};

describe('new cable from a place without a closet', () => {
  it('opens one there, once for all that come from it', () => {
    const site = fromHut();
    const options = quay.map((id) => feasible(site, id));
    for (const { state, message, shared } of options) {
      expect(state).not.toBe('fails');
      expect(message).toContain('from a closet that is opened at Quay hut');
      expect(shared).toMatchObject({ of: 'poe-switch', placeId: 'quay-hut' });
    }
    const count = (chosen: readonly FeasibleOption[]) =>
      totalOf(site, chosen).parts.find(({ item }) => item === 'wall-cabinet')?.count;
    expect([count(options.slice(0, 1)), count(options)]).toEqual([1, 1]);
    // A cabinet, and four hours by day.
    const { cost } = totalOf(site, options.slice(0, 1));
    const open = fromHut({ networkCloset: true });
    expect(cost - totalOf(open, [feasible(open, 'r15')]).cost).toBe(160 + 4 * 48);
  });
  it.each([
    ['without mains there', fromHut({ mains: false }), /no network closet at Quay hut, and no mains for one/],
    ['without a link that leads on', fromHut({}, {}), /and no link that leads on from there/],
  ])('cannot be %s', (_, site, words) => {
    const option = optionOf(site, 'r15');
    expect(option.state === 'no' && option.why).toMatch(words);
  });
  it('asks for none where there is one', () =>
    expect(feasible(fromHut({ networkCloset: true }), 'r15').message).not.toContain('closet'));
});
