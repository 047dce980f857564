import { cableOf } from '#core/physics/cable';
import type { Run } from '#core/model/site';
import { lineKind } from './loops';

/** What cameras, recorders and converters on coax are made for. */
const coaxOhms = 75;

/**
 * What the steps of impedance along a coax send back and so do not let through, in dB: 50 Ω cable among 75 Ω, and at either end
 * of it. Source: −10·log10(1 − ρ²) at each step, ρ = (Z1 − Z2)/(Z1 + Z2). A pair's baluns match it, so pairs have none.
 */
export function mismatchLossDb(run: Run): number {
  if (lineKind(run) !== 'coax') return 0;
  let [sumDb, before] = [0, coaxOhms];
  for (const segment of run.segments) {
    const { impedanceOhms } = cableOf(segment);
    sumDb += stepLossDb(before, impedanceOhms);
    before = impedanceOhms;
  }
  return sumDb + stepLossDb(before, coaxOhms);
}

function stepLossDb(fromOhms: number, toOhms: number): number {
  if (fromOhms === toOhms) return 0;
  const rho = (fromOhms - toOhms) / (fromOhms + toOhms);
  return -10 * Math.log10(1 - rho ** 2);
}

/** Cable for pictures is made to within so many ohms. Source: IEC 61196, 75 ± 3 Ω, with a little for age. */
const toleranceOhms = 5;

/** Whether some of a coax is not made for pictures: its echoes make ghosts, whatever gets through. */
export const hasOtherImpedance = (run: Run): boolean =>
  lineKind(run) === 'coax' &&
  run.segments.some((segment) => Math.abs(cableOf(segment).impedanceOhms - coaxOhms) > toleranceOhms);
