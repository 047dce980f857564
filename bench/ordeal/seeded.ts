import { createRandom } from '#core/shared/random';

/** Chances from a seed, each from 0 up to 1. */
export type Random = ReturnType<typeof createRandom>;
export const seeded = (seed: number): Random => createRandom(seed);

export const randomBelow = (random: Random, most: number): number => Math.floor(random() * most);
