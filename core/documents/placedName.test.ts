import { expect, it } from 'vitest';
import { saltmarrowSite } from '../model/site/testSite';
import { placedName } from './placedName';

const site = saltmarrowSite();
const { id: placeId, name: place } = Object.values(site.place)[0]!;

it('a device is named with its place, once', () => {
  expect(placedName(site, { name: 'Office switch', placeId })).toBe(`Office switch, ${place}`);
  expect(placedName(site, { name: `Coax unit, ${place}`, placeId })).toBe(`Coax unit, ${place}`);
  expect(placedName(site, { name: 'Coax unit', placeId: 'nowhere' })).toBe('Coax unit');
});
