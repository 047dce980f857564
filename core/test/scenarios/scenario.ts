/**
 * One way in which the figures behind a margin may turn out: each in standard deviations of what is not known about it.
 * A spread says how wide that is, by what the figure rests on. Uses, options and sampled plans all go by it.
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

const deviations = (all: number, steel = false): Scenario => ({
  coaxOhms: all,
  powerOhms: all,
  loss: all,
  joints: all,
  load: all,
  length: all,
  steel,
});

/** Everything as it is known. */
export const asKnown: Scenario = deviations(0);
/** Two standard deviations to the bad side in everything at once, the construction as it is noted. */
export const pessimistic: Scenario = deviations(2);
/** The same, with steel where copper was taken for granted. */
export const worstCase: Scenario = deviations(2, true);
/** Two standard deviations to the good side in everything at once. */
export const bestCase: Scenario = deviations(-2);
