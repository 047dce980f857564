/**
 * Loss of outdoor single-mode fibre a kilometre, of a mated connector and of a splice, in dB: the most that is accepted, not what
 * a good one shows. Source: ANSI/TIA-568.3-D.
 */
const perKmDb = 0.5;
const connectorDb = 0.75;
const spliceDb = 0.3;

/** Kept for mending: a cut is two splices and a length more. Source: usual practice. */
export const fibreRepairDb = 3;

/** Loss of a fibre link with a splice and two connectors at each end, in dB. */
export function fibreLossDb(lengthM: number): number {
  return (perKmDb * lengthM) / 1000 + 2 * spliceDb + 4 * connectorDb;
}
