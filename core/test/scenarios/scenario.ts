/** What is off in figures by standard deviations. A spread says how wide one is, by what the figure rests on. */
export interface Deviations {
  /** Resistance of the coax loop and of the power cores. */
  coaxOhms: number;
  powerOhms: number;
  /** Loss of the cable, and of plugs and splices that are still to be made. */
  loss: number;
  joints: number;
  /** Watts of the camera, and its stream. */
  load: number;
  /** Length of a run that was not measured. */
  length: number;
}

/** What a line turns out to be where nobody has looked. */
export interface UnseenLine {
  /** Loops of the coax and of the power cores that nobody has read, as multiples of what their tables promise. */
  coaxTimes: number;
  powerTimes: number;
  /** dB that faults take which no trace has looked for, and whether a branch is among them. */
  unseenDb: number;
  hasUnseenTap: boolean;
}

/** One way in which the figures behind a margin may turn out. Uses, options and sampled plans all go by it. */
export interface Scenario extends Deviations, UnseenLine {}

/** A line that is what is noted of it. */
export const asNoted: UnseenLine = { coaxTimes: 1, powerTimes: 1, unseenDb: 0, hasUnseenTap: false };

const deviations = (all: number): Deviations => ({
  coaxOhms: all,
  powerOhms: all,
  loss: all,
  joints: all,
  load: all,
  length: all,
});

/** What is taken for joints that nobody has looked at, where everything is thought of at its worst. Judgement. */
const poorJointsDb = 2;
/** Steel in place of copper: how much more its loop has. */
const steelTimes = 3;

/** Everything as it is known. */
export const asKnown: Scenario = { ...deviations(0), ...asNoted };
/** Two standard deviations to the bad side in everything at once, the construction as it is noted. */
export const pessimistic: Scenario = { ...deviations(2), ...asNoted, unseenDb: poorJointsDb };
/** The same, with steel where copper was taken for granted. */
export const worstCase: Scenario = { ...pessimistic, coaxTimes: steelTimes };
/** Two standard deviations to the good side in everything at once. */
export const bestCase: Scenario = { ...deviations(-2), ...asNoted };
