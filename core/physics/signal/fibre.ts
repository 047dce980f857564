/** Fibre by its grade: OS2 is single mode, OM1 has a core of 62.5 µm, the rest of 50 µm. Source: ISO/IEC 11801. */
export const fibreGrades = ['os2', 'om1', 'om2', 'om3', 'om4'] as const;
export type FibreGrade = (typeof fibreGrades)[number];

/**
 * Loss a kilometre, in dB: the most that is accepted outdoors, and what a good one has. Sources: ANSI/TIA-568.3-D for the most; data
 * sheets for good ones.
 */
const perKmDb: Record<FibreGrade, { most: number; good: number }> = {
  os2: { most: 0.5, good: 0.2 },
  om1: { most: 3.5, good: 2.5 },
  om2: { most: 3.5, good: 2.3 },
  om3: { most: 3.5, good: 2.3 },
  om4: { most: 3.5, good: 2.3 },
};
/** Of a mated connector and of a splice. Source: the same. */
const connectorDb = { most: 0.75, good: 0.15 };
const spliceDb = { most: 0.3, good: 0.03 };

/** Kept for mending: a cut is two splices and a length more. Source: usual practice. */
export const fibreRepairDb = 3;

/** Loss of a fibre link with a splice and two connectors at each end, in dB: the most that is accepted, or that of a good one. */
export function fibreLossDb(
  lengthM: number,
  grade: FibreGrade = 'os2',
  as: 'most' | 'good' = 'most',
): number {
  return (perKmDb[grade][as] * lengthM) / 1000 + 2 * spliceDb[as] + 4 * connectorDb[as];
}

type Multimode = Exclude<FibreGrade, 'os2'>;

/**
 * Metres that a rate reaches over multimode of a grade, whatever the loss, from the slowest up to the fastest that is made for it.
 * Source: IEEE 802.3, 100BASE-FX, 1000BASE-SX, 10GBASE-SR, 100GBASE-SR4.
 */
const reaches: readonly { upToMbps: number; metres: Record<Multimode, number> }[] = [
  { upToMbps: 100, metres: { om1: 2000, om2: 2000, om3: 2000, om4: 2000 } },
  { upToMbps: 1000, metres: { om1: 275, om2: 550, om3: 550, om4: 550 } },
  { upToMbps: 10_000, metres: { om1: 33, om2: 82, om3: 300, om4: 400 } },
  { upToMbps: 100_000, metres: { om1: 0, om2: 0, om3: 70, om4: 100 } },
];

/** Metres that a rate reaches over a grade of fibre before its modes run apart; without end over single mode, where the loss decides. */
export const fibreReachM = (grade: FibreGrade, mbps: number): number =>
  grade === 'os2' ? Infinity : (reaches.find(({ upToMbps }) => mbps <= upToMbps)?.metres[grade] ?? 0);
