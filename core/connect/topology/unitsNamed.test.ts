import { expect, it } from 'vitest';
import { unitsNamed } from './unitsNamed';

const place = {};
const at = { of: 'coax-unit', placeId: 'Gatehouse' } as const;

it('has one name for a lone unit, and numbers several through, whatever their sizes', () => {
  expect(unitsNamed({ ...at, parts: [{ item: 'coax-unit-8', count: 1 }] }, { place })).toEqual([
    { item: 'coax-unit-8', at: 1, name: 'Coax unit, Gatehouse' },
  ]);
  const mixed = [
    { item: 'coax-unit-8', count: 1 },
    { item: 'coax-unit-16', count: 2 },
  ];
  expect(unitsNamed({ ...at, parts: mixed }, { place })).toEqual([
    { item: 'coax-unit-8', at: 1, name: 'Coax unit 1, Gatehouse' },
    { item: 'coax-unit-16', at: 1, name: 'Coax unit 2, Gatehouse' },
    { item: 'coax-unit-16', at: 2, name: 'Coax unit 3, Gatehouse' },
  ]);
});
