import { describe, expect, it } from 'vitest';
import { evaluateSite } from '#core/evaluate';
import { catalogueOf, productOf } from '#core/model/catalogue';
import type { OptionKind, Place, Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { totalOf, unitsFor, type FeasibleOption, type SharedThing } from '.';
import { shareOf } from './sharing';

const site = saltmarrowSite();
const withPlace = (id: string, fields: Partial<Place>): Site => ({
  ...site,
  place: { ...site.place, [id]: { ...site.place[id]!, ...fields } },
});
const optionsAt = (at: Site, placeId: string, kind: OptionKind): FeasibleOption[] =>
  evaluateSite(at).runs.flatMap(({ camera, options }) => {
    const option = options.find((one) => one.kind === kind)!;
    return camera.placeId === placeId && option.state !== 'no' ? [option] : [];
  });
const count = (at: Site, chosen: readonly FeasibleOption[], item: string): number =>
  totalOf(at, chosen).parts.reduce((sum, part) => sum + (part.item === item ? part.count : 0), 0);
const shared = ({ sharing }: FeasibleOption, key: RegExp) => sharing.find((thing) => key.test(thing.key))!;

describe('units that serve several', () => {
  it.each<[Pick<SharedThing, 'capacity' | 'free'>, number, number]>([
    [{ capacity: 4, free: 0 }, 0, 0],
    [{ capacity: 4, free: 0 }, 4, 1],
    [{ capacity: 4, free: 0 }, 4.1, 2],
    [{ capacity: 'all', free: 0 }, 9, 1],
    [{ capacity: 7, free: 1 }, 1, 0],
    [{ capacity: 7, free: 1 }, 8, 1],
    [{ capacity: 7, free: 1 }, 9, 2],
  ])('%j for a need of %d: %d', (thing, need, units) => expect(unitsFor(thing, need)).toBe(units));
});

describe('a lift', () => {
  const quay = optionsAt(site, 'quay', 'ip-coax-unit');
  it('is hired by the half-day for a place, not for a camera', () => {
    const hours = quay.reduce((sum, option) => sum + shared(option, /^lift/).need, 0);
    expect(quay.length).toBeGreaterThanOrEqual(4);
    expect(count(site, quay, 'lift-half-day')).toBe(Math.ceil(hours / 4));
    expect(count(site, quay, 'lift-half-day')).toBeLessThan(quay.length);
    expect(count(site, quay.slice(0, 1), 'lift-half-day')).toBe(1);
  });
  it('counts the time of two people at the camera, not on the bench or along the route', () => {
    const catalogue = catalogueOf(site);
    for (const option of quay) {
      const bench = option.tasks
        .filter(({ item }) => productOf(catalogue, item, 'task').where !== undefined)
        .reduce((sum, { item, count: times }) => sum + productOf(catalogue, item, 'task').hours * times, 0);
      expect(shared(option, /^lift/).need).toBeCloseTo((option.ownHours - bench) / 2, 9);
    }
  });
  it('is counted where a ladder does not reach, and the option says so', () => {
    const at = withPlace('workshop', { access: { by: 'ladder', heightM: 8 } });
    for (const option of optionsAt(at, 'workshop', 'new-category')) {
      expect(option.sharing.map(({ key }) => key)).toContain('lift workshop');
      expect(option.cautions.join()).toMatch(
        /with a ladder, up to 6 m; the camera hangs at 8 m: counted with a lift/,
      );
    }
    const tall = withPlace('workshop', { access: { by: 'ladder', heightM: 8, reachM: 9 } });
    for (const option of optionsAt(tall, 'workshop', 'new-category'))
      expect(option.sharing.map(({ key }) => key)).not.toContain('lift workshop');
  });
  it('that is too short is asked for longer', () => {
    const at = withPlace('quay', { access: { by: 'lift', heightM: 20 } });
    expect(optionsAt(at, 'quay', 'ip-coax-unit')[0]!.cautions.join()).toMatch(/ask for one that reaches/);
  });
});

describe('one radio pair, one fibre, one route', () => {
  it('two cameras at the gatehouse take two radios, not four', () => {
    const both = optionsAt(site, 'gatehouse', 'wireless');
    expect(both).toHaveLength(2);
    expect(count(site, both, 'radio')).toBe(2);
    expect(both.map((option) => shareOf(shared(option, /^radio/)))).toEqual([0.5, 0.5]);
    // The second camera needs somewhere to meet the first.
    expect([count(site, both, 'field-switch'), count(site, both.slice(0, 1), 'field-switch')]).toEqual([
      1, 0,
    ]);
  });
  it('fibre and new cable of one way share its containment, as long as the longest', () => {
    const [fibre] = optionsAt(site, 'boat-shed', 'fibre');
    const [, cable] = optionsAt(site, 'boat-shed', 'new-category');
    const longest = Math.max(
      ...['r20', 'r21', 'r22'].map((id) => {
        const { newRoute } = site.run[id]!;
        return newRoute?.kind === 'open' ? newRoute.lengthM : 0;
      }),
    );
    expect(count(site, [fibre!, cable!], 'containment-m')).toBe(longest);
    expect(count(site, [fibre!, cable!], 'making-good')).toBe(1);
  });
  it('what all take of a thing comes to the whole of it', () => {
    const shed = optionsAt(site, 'boat-shed', 'new-category');
    const { cost } = totalOf(site, shed);
    const alone = shed.reduce((sum, option) => sum + option.cost - option.portCost, 0);
    const switches = totalOf(site, shed).shared.reduce((sum, group) => sum + group.cost, 0);
    expect(Math.abs(cost - switches - alone)).toBeLessThanOrEqual(shed.length);
  });
});

describe('labour', () => {
  it('by night is dearer, and by as much as usual where only the day was set', () => {
    const labour = (each: number): Site => ({
      ...site,
      product: { labour: { id: 'labour', kind: 'rate', name: 'Labour', each, from: 'typical' } },
    });
    const [option] = optionsAt(labour(100), 'quay', 'ip-coax-unit');
    expect(option!.labourCost).toBe(
      Math.round((option!.ownHours - option!.darkHours) * 100 + option!.darkHours * 150),
    );
  });
  it('counts setting up before, proving after, mount, sealing and disposal', () => {
    const [outdoor] = optionsAt(site, 'quay', 'ip-coax-unit');
    expect(outdoor!.tasks.map(({ item }) => item)).toEqual(
      expect.arrayContaining(['configure-ip-camera', 'commission-camera', 'weatherproof-end']),
    );
    expect(outdoor!.parts.map(({ item }) => item)).toEqual(
      expect.arrayContaining(['camera-mount', 'weatherproofing', 'disposal']),
    );
    const [indoor] = optionsAt(site, 'boat-shed', 'ip-category');
    expect(indoor!.parts.map(({ item }) => item)).not.toContain('weatherproofing');
  });
});
