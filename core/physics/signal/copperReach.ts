import { longestChannelM } from './categoryChannel';

/** Category cable by what its jacket says. Source: ANSI/TIA-568.2-D. */
export const categoryGrades = ['cat5e', 'cat6', 'cat6a'] as const;
export type CategoryGrade = (typeof categoryGrades)[number];

/** Over Cat 6 ten gigabits run so far without a test of what neighbouring cables couple in. Source: TIA TSB-155-A. */
const untestedCat6M = 37;

/**
 * Metres of channel that a rate reaches over a grade, from the slowest up; nothing where the standard makes it depend on a test of alien
 * crosstalk, as five gigabits over Cat 5e. Source: IEEE 802.3ab, 802.3bz, 802.3an.
 */
const reaches: readonly { upToMbps: number; metres: Record<CategoryGrade, number> }[] = [
  { upToMbps: 2500, metres: { cat5e: longestChannelM, cat6: longestChannelM, cat6a: longestChannelM } },
  { upToMbps: 5000, metres: { cat5e: 0, cat6: longestChannelM, cat6a: longestChannelM } },
  { upToMbps: 10_000, metres: { cat5e: 0, cat6: untestedCat6M, cat6a: longestChannelM } },
];

/** Metres of Ethernet channel, cords by their factor, that a rate reaches over a grade of category cable; 0 where it is not made for it. */
export const copperReachM = (grade: CategoryGrade, mbps: number): number =>
  reaches.find(({ upToMbps }) => mbps <= upToMbps)?.metres[grade] ?? 0;
