import { expect, it } from 'vitest';
import { tablesSchema } from './tableSchemas';
import figures from './typicalFigures.json';

it('the shipped formats and converters are what they are taken for, from the least to the most demanding', () => {
  const { formats, linkConverters } = figures;
  expect(tablesSchema.parse(figures)).toEqual({ formats, linkConverters });
  const analog = formats.filter(({ family }) => family !== 'sdi').map(({ topMHz }) => topMHz);
  expect(analog).toEqual([...analog].sort((a, b) => a - b));
});
