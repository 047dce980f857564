import { describe, expect, it } from 'vitest';
import { evaluateSite, networkAt } from '#core/evaluate';
import type { Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { totalOf, type FeasibleOption, type Option } from '.';

const demo = saltmarrowSite();
const who = { at: '2026-04-01T09:00:00Z', by: 'R. Tolland' };
/** Cameras 20, 21 and 22 hang in the boat shed, 88, 94 and 108 m from the closet in the workshop. */
const shed = ['c20', 'c21', 'c22'];
const optionOf = (at: Site, cameraId: string): Option =>
  evaluateSite(at)
    .runs.find(({ camera }) => camera.id === cameraId)!
    .options.find(({ kind }) => kind === 'field-switch')!;
const feasible = (at: Site, cameraId: string): FeasibleOption => {
  const option = optionOf(at, cameraId);
  if (option.state === 'no') throw new Error(option.why);
  return option;
};
const withShed = (fields: Partial<Site['place'][string]>): Site => ({
  ...demo,
  place: { ...demo.place, 'boat-shed': { ...demo.place['boat-shed']!, ...fields } },
});

describe('a field switch on one new cable', () => {
  const options = shed.map((id) => feasible(demo, id));
  it('has one cable as long as the shortest way there, and the rest as leads', () => {
    expect(options.map(({ newCableM }) => newCableM)).toEqual([10, 16, 30]);
    const total = totalOf(demo, options);
    const cable = total.parts.filter(({ item }) => item.startsWith('category-cable'));
    expect(cable.reduce((sum, { count }) => sum + count, 0)).toBe(88 + 10 + 16 + 30);
    expect(total.newCableM).toBe(88 + 10 + 16 + 30);
  });
  it('takes its switch at the place and one port in the closet', () => {
    const { shared } = totalOf(demo, options);
    expect(shared.map(({ of, placeId, ports }) => [of, placeId, ports])).toEqual([
      ['poe-switch', 'boat-shed', 3],
      ['poe-switch', 'workshop', 1],
    ]);
  });
  it('costs less for each camera more, and more than a cable of its own for one alone', () => {
    const cost = (chosen: readonly FeasibleOption[]): number => totalOf(demo, chosen).cost;
    const second = cost(options.slice(0, 2)) - cost(options.slice(0, 1));
    expect(second).toBeLessThan(cost(options.slice(0, 1)) * 0.7);
    const own = evaluateSite(demo)
      .runs.find(({ camera }) => camera.id === 'c20')!
      .options.find(({ kind }) => kind === 'new-category') as FeasibleOption;
    expect(cost(options.slice(0, 1))).toBeGreaterThan(cost([own]));
  });
  it.each([
    ['without mains at the place', { mains: false }, /no mains at Boat shed for a switch/],
    ['in a listed building', { restrictions: ['heritage' as const] }, /Listed building/],
  ])('cannot be %s', (_, fields, words) => {
    const option = optionOf(withShed(fields), 'c20');
    expect(option.state === 'no' && option.why).toMatch(words);
  });
  it('is none where the closet is at the place itself', () => {
    const option = optionOf(demo, 'c18');
    expect(option.state === 'no' && option.why).toMatch(/The closet is at Workshop itself/);
  });
  it('does not hold where even the shortest way is too long as warm as it is there', () => {
    const run = Object.fromEntries(
      shed.map((id) => {
        const one = demo.run[id.replace('c', 'r')]!;
        return [
          one.id,
          { ...one, newRoute: { kind: 'open' as const, fromPlaceId: 'workshop', lengthM: 92 } },
        ];
      }),
    );
    expect(feasible({ ...demo, run: { ...demo.run, ...run } }, 'c20').state).not.toBe('fails');
    const hot = withShed({ temperatureC: 50 });
    const option = feasible({ ...hot, run: { ...hot.run, ...run } }, 'c20');
    expect([option.state, option.binding!.kind]).toEqual(['fails', 'channel']);
  });
  it('says that all are dark together, and out of doors that the switch needs a box', () => {
    expect(options[0]!.cautions.join(' ')).toMatch(/dark together/);
    expect(feasible(withShed({ environment: 'outdoor' }), 'c20').cautions.join(' ')).toMatch(
      /vented enclosure/,
    );
  });
  it('is one link in the network, whose cut darkens them all', () => {
    const site: Site = {
      ...demo,
      choice: Object.fromEntries(shed.map((id) => [id, { id, option: 'field-switch' as const, ...who }])),
      placement: Object.fromEntries(
        shed.map((id, k) => [id, { id, recorderId: 'hall-recorder', slot: 20 + k }]),
      ),
      link: {
        ...demo.link,
        hall: {
          id: 'hall',
          name: 'Hall to workshop',
          fromPlaceId: 'ticket-hall',
          toPlaceId: 'workshop',
          medium: 'category',
          lengthM: 62,
          carriesMbps: 1000,
          state: 'there',
        },
      },
    };
    const { topology, failures, findings } = networkAt(site, evaluateSite(site), { kind: 'after' });
    const trunk = topology.links.find(({ name }) => /^Cable from/.test(name))!;
    expect(trunk).toMatchObject({ medium: 'category', lengthM: 88, standing: 'planned' });
    expect(failures.find(({ of }) => of.id === trunk.id)!.cameraIds.sort()).toEqual(shed);
    const ends = topology.cameras.filter(({ cameraId }) => shed.includes(cameraId));
    expect(new Set(ends.map(({ deviceId }) => deviceId)).size).toBe(1);
    expect(ends.map(({ lengthM }) => lengthM)).toEqual([10, 16, 30]);
    expect(findings.filter(({ cameraNumbers }) => cameraNumbers.some((n) => n >= 20 && n <= 22))).toEqual([]);
  });
});
