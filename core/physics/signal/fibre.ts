/** Loss of single-mode fibre a kilometre, of a connector and of a splice, in dB. Source: IEC 60793-2-50 and usual acceptance figures. */
const perKmDb = 0.4;
const connectorDb = 0.5;
const spliceDb = 0.1;

/** Loss of a fibre link with a splice and two connectors at each end, in dB. */
export function fibreLossDb(lengthM: number): number {
  return (perKmDb * lengthM) / 1000 + 2 * spliceDb + 4 * connectorDb;
}
