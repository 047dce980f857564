/** A stretch of category cable at its own temperature. */
export interface WarmStretch {
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

/** Metres of fixed unshielded cable that a warm place allows; above 60 °C it goes on falling as up to there. */
export function longestLinkM(temperatureC: number): number {
  if (temperatureC <= longestLinks[0]![0]) return permanentLinkM;
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

/** The fixed cable as so many metres at 20 °C, and the channel that its cords make of it. */
export function categoryChannel(stretches: readonly WarmStretch[]): { fixedM: number; channelM: number } {
  const fixedM = stretches.reduce(
    (sum, { lengthM, temperatureC }) => sum + (lengthM * permanentLinkM) / longestLinkM(temperatureC),
    0,
  );
  return { fixedM, channelM: fixedM + usualCordsM * cordFactor };
}
