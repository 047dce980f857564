import { expect, it } from 'vitest';
import { saltmarrowSite } from '../model/site/testSite';
import { evaluateSite, networkAt } from '#core/evaluate';
import { placedName, placedNames } from './placedName';

const site = saltmarrowSite();
const { id: placeId, name: place } = Object.values(site.place)[0]!;

it('a device is named with its place, once', () => {
  expect(placedName(site, { name: 'Office switch', placeId })).toBe(`Office switch, ${place}`);
  expect(placedName(site, { name: `Coax unit, ${place}`, placeId })).toBe(`Coax unit, ${place}`);
  expect(placedName(site, { name: 'Coax unit', placeId: 'nowhere' })).toBe('Coax unit');
});

it('devices of a network are named by their ids, and one that is none not at all', () => {
  const { devices } = networkAt(site, evaluateSite(site), { kind: 'today' }).topology;
  const named = placedNames(site, devices);
  expect(devices.map(({ id }) => named(id))).toEqual(devices.map((one) => placedName(site, one)));
  expect([named(null), named('none')]).toEqual(['', '']);
});
