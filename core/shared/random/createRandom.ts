const modulus = 2_147_483_647;

/**
 * A source of numbers between 0 and 1, neither of them ever given, the same ones for the same seed, a whole number from 0.
 * Source: Park and Miller, "Random number generators: good ones are hard to find", 1988 (minimal standard).
 */
export function createRandom(seed: number): () => number {
  // A state of 0 would stay there.
  let state = seed % modulus || 1;
  return () => (state = (state * 16_807) % modulus) / modulus;
}
