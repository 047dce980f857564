import { expect, it } from 'vitest';
import { tablesSchema } from './tableSchemas';
import figures from './typicalFigures.json';

it('the shipped tables are what they are taken for, and no construction stands there twice', () => {
  const { about, ...tables } = figures;
  expect(about).toMatch(/typical published figures/);
  expect(tablesSchema.parse(figures)).toEqual(tables);
  const ids = [...figures.coax, ...figures.pair, ...figures.power].map(({ id }) => id);
  expect(new Set(ids).size).toBe(ids.length);
});
