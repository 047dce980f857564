/**
 * Power over Ethernet classes 0 to 8: watts the source must offer and watts the device may take.
 * Source: IEEE 802.3-2018, clauses 33 and 145.
 */
export const poeClasses = [
  { poeClass: 0, sourceWatts: 15.4, deviceWatts: 12.95 },
  { poeClass: 1, sourceWatts: 4, deviceWatts: 3.84 },
  { poeClass: 2, sourceWatts: 7, deviceWatts: 6.49 },
  { poeClass: 3, sourceWatts: 15.4, deviceWatts: 12.95 },
  { poeClass: 4, sourceWatts: 30, deviceWatts: 25.5 },
  { poeClass: 5, sourceWatts: 45, deviceWatts: 40 },
  { poeClass: 6, sourceWatts: 60, deviceWatts: 51 },
  { poeClass: 7, sourceWatts: 75, deviceWatts: 62 },
  { poeClass: 8, sourceWatts: 90, deviceWatts: 71.3 },
] as const;
export type PoeClass = (typeof poeClasses)[number];

/** Least volts that arrive at a powered device of a class at the end of a full channel. Source: IEEE 802.3-2022, tables 33-18 and 145-29. */
export function poeMinDeviceVolts(poeClass: number): number {
  if (poeClass <= 3) return 37;
  return { 5: 44.3, 7: 42.9, 8: 41.1 }[poeClass] ?? 42.5;
}

/**
 * Least volts at the port of a source, by the type that its class belongs to: what is planned with while nobody has a data
 * sheet. Source: IEEE 802.3-2022: 44 V of type 1, 50 V of types 2 and 3, 52 V of type 4.
 */
export function poeLeastSourceVolts(poeClass: number): number {
  if (poeClass <= 3) return 44;
  return poeClass <= 6 ? 50 : 52;
}

/** Type 3 and 4 sources (classes 5 and up) feed all four pairs, types 1 and 2 feed two. */
export function poePairsFed(poeClass: number): 2 | 4 {
  return poeClass >= 5 ? 4 : 2;
}

/** The lowest class whose device may take `deviceWatts`; `undefined` above 71.3 W. */
export function poeClassFor(deviceWatts: number): PoeClass | undefined {
  return poeClasses
    .filter((row) => row.poeClass > 0 && row.deviceWatts >= deviceWatts)
    .reduce<PoeClass | undefined>(
      (least, row) => (!least || row.sourceWatts < least.sourceWatts ? row : least),
      undefined,
    );
}

/** Least volts of what feeds a converter over coax, a class 4 port or a head-end unit: they may give 50 to 57 V. */
export const coaxSourceVolts = 50;
