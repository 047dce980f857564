/**
 * What a fault on a matched line takes from whatever passes it, in dB.
 * Source: insertion loss, 20·log₁₀(1 + R/2Z) of a series and 20·log₁₀(1 + Z/2R) of a shunt resistance.
 */
export const seriesLossDb = (ohms: number, lineOhms: number): number =>
  20 * Math.log10(1 + ohms / (2 * lineOhms));
export const shuntLossDb = (ohms: number, lineOhms: number): number =>
  20 * Math.log10(1 + lineOhms / (2 * Math.max(ohms, 0.1)));

/** A branch of the line's own impedance takes a third of the wave: a shunt of Z. Where its end comes back in step or out of it there are peaks and notches about that. */
export const tapLossDb = (lineOhms: number): number => shuntLossDb(lineOhms, lineOhms);
