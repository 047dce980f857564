import { describe, expect, it } from 'vitest';
import { createNormal, createRandom } from '#core/shared/random';
import { believedOfNext, sharedShift } from './sharedShift';

describe('what runs share', () => {
  it('is nothing, and as unsure as before, while nobody has read any', () => {
    expect(sharedShift([])).toEqual({ mean: 0, deviation: 0.6 });
    expect(believedOfNext(sharedShift([])).deviation).toBeCloseTo(1, 12);
  });

  it('is the posterior that a grid over the shared part gives', () => {
    const read = [
      { deviations: 2.1, besides: 0.3 },
      { deviations: 1.4, besides: 0.8 },
      { deviations: 2.6, besides: 0 },
    ];
    const density = (shared: number): number =>
      read.reduce(
        (product, { deviations, besides }) =>
          product * Math.exp(-((deviations - shared) ** 2) / (2 * (0.64 + besides ** 2))),
        Math.exp(-(shared ** 2) / (2 * 0.36)),
      );
    let [sum, first, second] = [0, 0, 0];
    for (let shared = -6; shared <= 6; shared += 0.001) {
      const weight = density(shared);
      sum += weight;
      first += weight * shared;
      second += weight * shared ** 2;
    }
    const mean = first / sum;
    const { mean: found, deviation } = sharedShift(read);
    expect(found).toBeCloseTo(mean, 6);
    expect(deviation).toBeCloseTo(Math.sqrt(second / sum - mean ** 2), 6);
  });

  it('holds what runs share in its interval as often as it says', () => {
    const gauss = createNormal(createRandom(7));
    let inside = 0;
    const trials = 4000;
    for (let k = 0; k < trials; k += 1) {
      const shared = 0.6 * gauss();
      const read = Array.from({ length: 3 }, () => ({
        deviations: shared + 0.8 * gauss() + 0.5 * gauss(),
        besides: 0.5,
      }));
      const { mean, deviation } = sharedShift(read);
      if (Math.abs(shared - mean) <= 1.645 * deviation) inside += 1;
    }
    expect(inside / trials).toBeGreaterThan(0.885);
    expect(inside / trials).toBeLessThan(0.915);
  });
});
