import type { Deviation } from '#core/signoff/predicted';

/** Part of what is not known of a run that runs of one kind share, and the part that is its own. Judgement; together one. */
const sharedDeviation = 0.6;
const ownVariance = 1 - sharedDeviation ** 2;

/** How far runs of one kind are off together, in standard deviations, and how sure that is. */
export interface SharedShift {
  mean: number;
  deviation: number;
}

/**
 * What readings of several runs say of what they share: each is the shared part, its own part and everything besides, and the shared
 * part is normal around nothing before anybody read. The posterior of a normal mean with known variances (conjugate prior).
 */
export function sharedShift(read: readonly Deviation[]): SharedShift {
  let precision = 1 / sharedDeviation ** 2;
  let weighted = 0;
  for (const { deviations, besides } of read) {
    const weight = 1 / (ownVariance + besides ** 2);
    precision += weight;
    weighted += weight * deviations;
  }
  return { mean: weighted / precision, deviation: Math.sqrt(1 / precision) };
}

/** What is believed of a run of the kind that nobody has read yet. */
export const believedOfNext = ({ mean, deviation }: SharedShift): SharedShift => ({
  mean,
  deviation: Math.sqrt(deviation ** 2 + ownVariance),
});
