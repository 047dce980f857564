import type { Basis } from '#core/shared/derivation';

/**
 * One way in which the figures behind a margin may turn out: each in standard deviations of what is not known about it.
 * A spread says how wide that is, by what the figure rests on.
 */
export interface Scenario {
  /** Resistance of the coax loop and of the power cores. */
  coaxOhms: number;
  powerOhms: number;
  /** Loss of the cable, and of joints that nobody has looked at. */
  loss: number;
  joints: number;
  /** Watts of the camera, and its stream. */
  load: number;
  /** Length of a run that was not measured. */
  length: number;
  /** A centre conductor that is copper-clad steel and was taken for copper. */
  steel: boolean;
}

/** Everything as it is known. */
export const asKnown: Scenario = {
  coaxOhms: 0,
  powerOhms: 0,
  loss: 0,
  joints: 0,
  load: 0,
  length: 0,
  steel: false,
};
/** Two standard deviations to the bad side in everything at once. */
export const pessimistic: Scenario = {
  coaxOhms: 2,
  powerOhms: 2,
  loss: 2,
  joints: 2,
  load: 2,
  length: 2,
  steel: false,
};

/** One standard deviation of a loop, as a share. A reading leaves the meter, temperature and ageing; a table leaves gauge, copper and joints. Judgement. */
export const ohmsSpread: Record<Basis, number> = { measured: 0.03, 'data-sheet': 0.08, typical: 0.12 };
/** Of published loss figures for a construction, and what joints and water take that no trace has looked for, in dB. Judgement. */
export const lossSpread = 0.06;
export const unseenJointDb = 1;
/** Of what a camera takes. */
export const loadSpread = { typical: 0.08, 'data-sheet': 0.03 } as const;
/** Of volts and rates that were read. */
export const readSpread = 0.01;
/** Steel in place of copper: how much more its loop has, and how likely it is where nobody has read the loop. */
export const steelTimes = 3;
export const steelChance = 0.03;

/** Factor on a loop in a future. */
export function ohmsFactor(from: Basis, deviations: number, steel = false): number {
  return (from === 'typical' && steel ? steelTimes : 1) * Math.max(0.3, 1 + ohmsSpread[from] * deviations);
}

/** dB that joints nobody looked at take in a future: only ever more. */
export const unseenDb = (looked: boolean, { joints }: Scenario): number =>
  looked ? 0 : unseenJointDb * Math.max(0, joints);
