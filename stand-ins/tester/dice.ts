/** Dice that fall the same way again for the same seed. Source: Park and Miller's minimal standard generator. */
export function createRandom(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647;
}
