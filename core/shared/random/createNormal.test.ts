import { expect, it } from 'vitest';
import { createNormal, createRandom } from '.';

it('has mean 0, standard deviation 1, and the tails of a normal distribution', () => {
  const normal = createNormal(createRandom(7));
  const values = Array.from({ length: 100_000 }, () => normal());
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const variance = values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / values.length;
  const beyond = (limit: number) => values.filter((value) => Math.abs(value) > limit).length / values.length;
  expect(mean).toBeCloseTo(0, 1);
  expect(Math.sqrt(variance)).toBeCloseTo(1, 1);
  // Published: 31.73 % beyond one, 4.55 % beyond two, 0.27 % beyond three.
  expect(beyond(1)).toBeCloseTo(0.3173, 2);
  expect(beyond(2)).toBeCloseTo(0.0455, 2);
  expect(beyond(3)).toBeCloseTo(0.0027, 2);
});
