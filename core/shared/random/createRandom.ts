/**
 * A source of numbers between 0 and 1 that gives the same ones for the same seed, a whole number from 1.
 * Source: Park and Miller, "Random number generators: good ones are hard to find", 1988 (minimal standard).
 */
export function createRandom(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647;
}
