/**
 * What a fault on a matched line takes from whatever passes it, in dB.
 * Source: insertion loss, 20·log₁₀(1 + R/2Z) of a series and 20·log₁₀(1 + Z/2R) of a shunt resistance.
 */
export const seriesLossDb = (ohms: number, lineOhms: number): number =>
  20 * Math.log10(1 + ohms / (2 * lineOhms));
export const shuntLossDb = (ohms: number, lineOhms: number): number =>
  20 * Math.log10(1 + lineOhms / (2 * Math.max(ohms, 0.1)));

/** A piece of another impedance sends ρ² of the power back at each of its two steps, in dB. */
export const patchLossDb = (ohms: number, lineOhms: number): number =>
  -20 * Math.log10(1 - ((lineOhms - ohms) / (lineOhms + ohms)) ** 2);

/** A branch of the line's own impedance takes a third of the wave: a shunt of Z. Where its end comes back in step or out of it there are peaks and notches about that. */
export const tapLossDb = 20 * Math.log10(3 / 2);

/** A branch as a trace tells it: how long a wave takes to its end and back, and how much of it the end sends back. */
export interface Branch {
  thereAndBackNs: number;
  gamma: number;
}

/** A branch's end that sends back less than this swallows the wave; no notch comes of it. */
const echoingFrom = 0.5;
/** A notch is taken over so much of its frequency to either side: what is sent is never at one frequency. */
const notchShare = 0.1;
const notchSteps = 40;

/** Power that passes a branch with an open end. Source: a stub of Z·cot βl across the line, |T|² = 1/(1 + tan²βl/4). */
const passedPower = (quarters: number): number => 1 / (1 + Math.tan((Math.PI / 2) * quarters) ** 2 / 4);

/**
 * The most that a branch takes from anything up to a frequency, in dB. Where it is a quarter of a wave long (a half with a shorted
 * end) what its end sends back comes out of step and takes nearly all; a shorter one takes what it takes at the highest frequency. One
 * of unknown length is taken to have its notch within.
 */
export function tapNotchDb(topMHz: number, branch?: Branch): number {
  if (branch && Math.abs(branch.gamma) < echoingFrom) return tapLossDb;
  // A shorted branch shorts all that is slow: its first notch is at nothing.
  const quarterMHz = !branch || branch.gamma < 0 ? 0 : 500 / branch.thereAndBackNs;
  const middle = Math.min(1, topMHz / quarterMHz);
  const steps = Array.from({ length: notchSteps }, (_, k) => (2 * k + 1) / notchSteps - 1);
  const passed = steps.reduce((sum, at) => sum + passedPower(middle * (1 + notchShare * at)), 0) / notchSteps;
  return Math.max(tapLossDb, -10 * Math.log10(passed));
}
