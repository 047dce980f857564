import { cableOf, pathLossDb, type Laid } from '#core/physics/cable';

/** A stretch of category cable at its own temperature. */
export interface WarmStretch extends Laid {
  lengthM: number;
  temperatureC: number;
}

/** Longest fixed cable by temperature, unshielded. Source: ANSI/TIA-568.2-D, annex on temperature; ISO/IEC 11801 gives the same slope. */
const longestLinks: readonly (readonly [temperatureC: number, metres: number])[] = [
  [20, 90],
  [30, 87],
  [40, 84],
  [50, 79.5],
  [60, 75],
];
export const permanentLinkM = 90;

/** Loss of screened cable grows by so much a degree over 20 °C. Source: ANSI/TIA-568.2-D, ISO/IEC 11801. */
const screenedPerC = 0.002;

/**
 * Metres of fixed cable that a warm place allows. Unshielded by the table of the standard, which above 60 °C goes on falling as up
 * to there; screened by a fifth of a percent a degree.
 */
export function longestLinkM(temperatureC: number, screened = false): number {
  if (temperatureC <= longestLinks[0]![0]) return permanentLinkM;
  if (screened) return permanentLinkM / (1 + screenedPerC * (temperatureC - longestLinks[0]![0]));
  const next = longestLinks.findIndex(([at]) => temperatureC <= at);
  const upper = next < 0 ? longestLinks.length - 1 : next;
  const [[fromC, fromM], [toC, toM]] = [longestLinks[upper - 1]!, longestLinks[upper]!];
  return Math.max(1, fromM + ((toM - fromM) * (temperatureC - fromC)) / (toC - fromC));
}

/** Thin stranded cords lose more: a metre of 26 AWG counts as one and a half. Source: C = (102 − H)/(1 + D), D = 0.5, TIA-568. */
const cordFactor = 1.5;
/** Cords of a usual channel, at the switch and at the camera together. Typical. */
const usualCordsM = 5;

/** Longest channel, cords by their factor. Source: H + C·(1 + D) ≤ 102 m, ISO/IEC 11801 and TIA-568. */
export const longestChannelM = 102;

/** Loss at 100 MHz of 100 m of the cable that Ethernet up to 1 Gb/s is made for, in dB. Source: Cat 5e, ANSI/TIA-568.2-D. */
const madeForDb = 22;

/** How much more a cable loses than Ethernet is made for: thin cores and clad aluminium do. */
const lossTimes = ({ cable, sheet }: Laid): number =>
  Math.max(1, pathLossDb([{ cable, sheet, lengthM: 100 }], 100) / madeForDb);

const isScreened = (laid: Laid): boolean => {
  const line = cableOf(laid);
  return line.kind === 'pair' && line.screened === true;
};

/** The fixed cable as so many metres at 20 °C of cable that Ethernet is made for, and the channel that its cords make of it. */
export function categoryChannel(stretches: readonly WarmStretch[]): { fixedM: number; channelM: number } {
  const fixedM = stretches.reduce(
    (sum, stretch) =>
      sum +
      (stretch.lengthM * lossTimes(stretch) * permanentLinkM) /
        longestLinkM(stretch.temperatureC, isScreened(stretch)),
    0,
  );
  return { fixedM, channelM: fixedM + usualCordsM * cordFactor };
}
