import { cableOf, type Laid } from './dataSheet';

/** A stretch of one construction, as every loss calculation takes it. */
export interface Stretch extends Laid {
  lengthM: number;
}

/** Loss of a whole path at f MHz is a·√f + b·f + c/√f, in dB. */
export interface PathLossCoefficients {
  a: number;
  b: number;
  c: number;
}

/** Sums the published coefficients (given per 100 m, at 20 °C) over all stretches of a path. */
export function pathLossCoefficients(stretches: readonly Stretch[]): PathLossCoefficients {
  const sum = { a: 0, b: 0, c: 0 };
  for (const stretch of stretches) {
    const figures = cableOf(stretch);
    const hundreds = stretch.lengthM / 100;
    sum.a += figures.a * hundreds;
    sum.b += figures.b * hundreds;
    sum.c += (figures.c ?? 0) * hundreds;
  }
  return sum;
}

/**
 * Attenuation of cables in series at one frequency, in dB at 20 °C.
 * Source: the usual fit a·√f + b·f (+ c/√f for pair cable, as in the category standards), f in MHz.
 */
export function pathLossDb(stretches: readonly Stretch[], frequencyMHz: number): number {
  const { a, b, c } = pathLossCoefficients(stretches);
  const root = Math.sqrt(frequencyMHz);
  return a * root + b * frequencyMHz + c / root;
}
