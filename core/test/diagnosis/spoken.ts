/** What a reading says of a cause, and how loudly. */
export interface Spoken {
  message: string;
  /** Weight of evidence: 10·log₁₀ of a ratio of chances, without its sign. */
  decibans: number;
  strength: Strength;
}

/** Weights of evidence as people say them: from so many decibans on. Ten are odds of 10 to 1. Policy. */
const strengths = [
  { from: 20, strength: 'all but settles it' },
  { from: 10, strength: 'strongly' },
  { from: 5, strength: 'clearly' },
  { from: 0, strength: 'a little' },
] as const;
export type Strength = (typeof strengths)[number]['strength'];

/** A weight of evidence in words. */
export const spoken = (message: string, decibans: number): Spoken => ({
  message,
  decibans,
  strength: strengths.find(({ from }) => decibans >= from)?.strength ?? 'a little',
});
