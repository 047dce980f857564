import type { Trouble } from './causes';
import type { Symptom } from '#core/physics/picture';

/**
 * All that the diagnosis takes from practice: how often what is wrong, and what people and instruments do. Judgement of
 * practice, meant to be read, argued with and fitted to sites that are signed off; the physics is elsewhere.
 */

/** Chance that a camera that is called in for a look has this trouble, whatever else it has. */
export const rates: Record<Trouble, number> = {
  supply: 0.04,
  'power-drop': 0.002,
  'power-construction': 0.02,
  'power-joint': 0.04,
  joint: 0.05,
  'coax-construction': 0.03,
  open: 0.03,
  short: 0.03,
  'coax-loss': 0.004,
  echo: 0.03,
  tap: 0.03,
  water: 0.04,
  'earth-difference': 0.04,
  format: 0.03,
  'line-standard': 0.02,
  camera: 0.05,
  input: 0.035,
  'split-pair': 0.015,
  'pair-wiring': 0.015,
  'pair-unbalance': 0.01,
  unlisted: 0.01,
};

/**
 * How many runs a rate counts for against what other runs of a site have shown that have something in common: reels are the same
 * all along, cores of one kind come from several, and a wet route wets what lies in it now and then.
 */
export const sharing = { construction: 3, cores: 10, route: 10 };

/** Where the jacket itself says the metal, another construction was noted so much less often. */
export const printedShare = 0.15;

/** The coax is too long for what is sent over it: chance by the share of the loss that its format bears. */
export const lossRate = (share: number): number =>
  share > 1 ? 0.35 : share > 0.8 ? 0.06 : rates['coax-loss'];

/**
 * The cores as they are noted take too many volts: chance where that was to be expected and was read, where it is just under or
 * just above the window, and where it is to be expected only.
 */
export const dropRates = { shown: 0.9, close: 0.15, expected: 0.5 };

/** Notes of both ends that differ: so often they are right, and so often those that agree are wrong. */
export const noteRates = { differ: 0.75, agree: { format: 0.025, 'line-standard': 0.02 } };

/** Chance that a symptom shows in a picture under a trouble, to whoever looks. */
export const shows: Partial<Record<Trouble, Partial<Record<Symptom, number>>>> = {
  supply: { bars: 0.15, rolling: 0.04, torn: 0.04, 'test-bars-only': 0.04 },
  'power-joint': { bars: 0.1 },
  joint: { sparkles: 0.22, soft: 0.12, torn: 0.1, 'no-picture': 0.06, ghost: 0.04 },
  open: { 'no-picture': 0.93, torn: 0.04, sparkles: 0.04 },
  short: { 'no-picture': 0.96 },
  'coax-loss': { soft: 0.75, torn: 0.12, sparkles: 0.12, 'no-picture': 0.08 },
  echo: { ghost: 0.55, soft: 0.15, torn: 0.04 },
  tap: { ghost: 0.45, soft: 0.35, torn: 0.15, 'no-picture': 0.02 },
  water: { soft: 0.25, sparkles: 0.12, ghost: 0.04, 'no-picture': 0.03 },
  'earth-difference': { bars: 0.88, rolling: 0.06, torn: 0.03 },
  format: { 'no-picture': 0.75, torn: 0.22, rolling: 0.05 },
  'line-standard': { rolling: 0.5, torn: 0.42, 'no-picture': 0.12 },
  camera: { 'no-picture': 0.75, 'test-bars-only': 0.16, soft: 0.04, torn: 0.02 },
  input: { 'no-picture': 0.82, sparkles: 0.12, torn: 0.04 },
  'split-pair': { sparkles: 0.25, soft: 0.2, ghost: 0.08 },
  'pair-wiring': { 'no-picture': 0.3, torn: 0.1 },
  'pair-unbalance': { bars: 0.2, sparkles: 0.15 },
};

/** Volts under the window of the camera, by how they were read: what is seen then, whatever the reason. */
export const starved = {
  byDay: { 'no-picture': 0.4, rolling: 0.08, bars: 0.08 },
  atNight: { 'gone-at-night': 0.45, bars: 0.15, 'no-picture': 0.08 },
  /** Where no volts were read: chance that a trouble of the power starves the camera at night. */
  unread: 0.45,
} as const;

/** An observer sees what is not there so often. */
export const inventsSymptom = 0.012;

/** Chance that the camera fails beside the recorder, on a short lead, under a trouble; and without any. */
export const failsAtHeadEnd: Partial<Record<Trouble, number>> = {
  camera: 0.97,
  format: 0.88,
  'line-standard': 0.75,
  input: 0.06,
};
/** Chance that it fails on its run, fed from a supply that is known to be good. */
export const failsOnLocalSupply: Partial<Record<Trouble, number>> = {
  camera: 0.97,
  format: 0.88,
  'line-standard': 0.88,
  input: 0.85,
  open: 0.95,
  short: 0.95,
  'coax-loss': 0.35,
  joint: 0.22,
  tap: 0.22,
  echo: 0.25,
  water: 0.18,
  'earth-difference': 0.3,
  'split-pair': 0.3,
  'pair-wiring': 0.35,
  'pair-unbalance': 0.2,
};
/** A swap goes wrong for no reason of its own so often. */
export const swapGoesWrong = 0.025;

/** Chance that converters do not link, or at less than half their rate, under a trouble; and without any. */
export const linkFails: Partial<Record<Trouble, number>> = {
  open: 0.97,
  short: 0.97,
  joint: 0.12,
  water: 0.12,
  tap: 0.15,
  echo: 0.08,
  'coax-loss': 0.15,
  'split-pair': 0.6,
  'pair-wiring': 0.7,
  'pair-unbalance': 0.2,
};
export const linkFailsAnyway = 0.012;

/** What continuity finds: through, open, shorted. */
export const continuity = {
  usual: [0.99, 0.005, 0.005],
  open: [0.03, 0.96, 0.01],
  short: [0.03, 0.01, 0.96],
  joint: [0.93, 0.06, 0.01],
  water: [0.96, 0.005, 0.035],
  tap: [0.93, 0.005, 0.065],
} as const;

/** Ohms of a poor joint, and of a leak of water as a pulse sees it: anything in these ranges, alike in ratio. */
export const jointOhms = { from: 1.2, to: 120 };
export const leakOhms = { from: 60, to: 4000 };
export const powerJointOhms = { from: 0.4, to: 14 };

/** Share of readings that are misread, misnoted or taken of something else. */
export const misread = 0.006;

/** A meter's error: a share, and ohms or volts beside it. Each sound joint adds the third and spreads by the fourth. */
export const meter = { share: 0.007, ohms: 0.12, volts: 0.04, soundJointOhms: 0.1, soundJointSpread: 0.07 };

/** A loop reads without end where the coax is open, and where it goes through; what is read wrong lies anywhere up to so many ohms. */
export const overRange = { open: 0.95, through: 0.003, fromOhms: 9000 };
export const widestLoopOhms = 200;

/** What touches at a short has ohms of its own: about so many, and a spread. */
export const shortContact = { ohms: 0.5, spread: 0.6 };

/** How far a sound construction lies from its table; watts of a camera from what is noted; a rail from what it is set to. */
export const spreads = { construction: 0.025, watts: 0.12, rail: 0.012, adapter: 0.025 };

/**
 * How far another construction than noted may lie from its table, as a share of what it adds: steel under copper has a fifth to
 * two fifths of copper's conductance, by maker.
 */
export const otherSpread = 0.22;

/** A length is noted quite wrong so often, by the second. */
export const wrongLength = { share: 0.07, spread: 0.25 };

/** What a supply that is at fault does: it gives too little always, or by night only, by a share within the range; or too much. */
export const supplyFaults = { low: 0.47, sags: 0.47, high: 0.06, from: 0.045, to: 0.24, highShare: 0.12 };

/** A dead camera takes nothing so often; else it takes what it always took. */
export const deadTakesNothing = 0.75;

/**
 * Megohms: of 100 m of a dry run, of a run that is wet somewhere, as the logarithm's middle and spread; and what a short reads. A
 * longer dry run reads less, by the root of its length: leaks add up, and the worst place counts most.
 */
export const insulation = {
  dry: { megohms: 120, ofM: 100, spread: 1.28 },
  wet: { megohms: 0.06, spread: 2.4 },
  shorted: { megohms: 0.002, spread: 1 },
  /** What is read as nothing is about so much. */
  least: 0.002,
};

/** Volts between shield and earth: of a sound run, and of ends on different earths; and AC on the conductors. */
export const earthVolts = {
  sound: { volts: 0.35, spread: 0.7 },
  different: { volts: 4.5, spread: 0.55 },
  /** Foreign AC as a share of it, where both are read. */
  acShare: { middle: 0.6, spread: 0.8 },
  least: 0.02,
};

/** What a reflectometer shows of a trouble, by kind of event, and how well its ohms are told (as a spread of their logarithm). */
export const echoOhmsSpread = 0.35;
export const tapShows = { tap: 0.64, shunt: 0.28, 'lower-impedance': 0.05 } as const;
/** A branch beside the line is half the line's impedance across it, as far as its first echo. */
export const tapOhms = { middle: 105, spread: 0.35 };
export const patchShows = { 'lower-impedance': 0.86, shunt: 0.06, tap: 0.03 } as const;
export const patchOhms = { middle: 140, spread: 0.4 };
/** Echoes that are nothing, for each trace: by themselves, and behind something strong, where echoes come twice. */
export const strayEvents = { alone: 0.1, behind: 0.9 };
/** Share of the pulse that a stray echo sends back: about so much, or anything in the range so often; behind something strong anything. */
export const strayEcho = { share: 0.014, spread: 0.6, anyShare: 0.03, from: 0.004, to: 0.6 };
/** Share of events that the trace is quite sure of: of those that something made, and of stray ones. */
export const sureEvents = { from: 0.95, made: 0.9, stray: 0.12 };
/** Behind a branch the end itself is not told so often. */
export const endLostBehindTap = 0.15;
/** A series resistance and a leak show from about these ohms on. */
export const seenFrom = { jointOhms: 3.2, leakOhms: 2200, steepness: 2.6 };
/** What stands at the end of a trace without a fault there: open, shorted, something else, nothing. */
export const endShows = { open: 0.93, short: 0.012, end: 0.04, none: 0.018 };
/** How far the pulse itself lets a metre be told, one standard deviation. */
export const pulseSpreadM = 0.12;
/**
 * A trace of a coax that is broken or shorted ends in just that, or where it is both in one of the two; in something else; or shows no
 * end. Past so many times its noted length nothing of a run can be broken.
 */
export const brokenEnd = { fits: 0.95, oneOfTwo: 0.48, other: 0.02, none: 0.03, lengthMost: 1.1 };
/** A leak in sight shows no echo so often. */
export const leakMissed = 0.12;
/** Velocity factors of tables, where the end falls where it should, and where nobody knows: one standard deviation. */
export const velocitySpread = { agreed: 0.004, unknown: 0.006 };
/** The velocity factor of a cable is not that of its table so often, by the second: makes differ, and so do foamed cores. */
export const otherVelocity = { share: 0.02, spread: 0.05 };

/** Figures of category cable by trouble: chance that a figure keeps its limit. */
export const pairTests = {
  'pair-unbalance-percent': { usual: 0.996, 'pair-unbalance': 0.06, joint: 0.85, water: 0.88 },
  'next-db': { usual: 0.992, 'split-pair': 0.04, 'pair-wiring': 0.8 },
  'insertion-loss-db': { usual: 0.985, 'coax-loss': 0.1, water: 0.5, joint: 0.7 },
} as const;
/** What a wire map finds: straight, open, short, crossed, reversed, split. */
export const wireMaps = {
  usual: [0.986, 0.004, 0.003, 0.003, 0.003, 0.001],
  open: [0.03, 0.94, 0.01, 0.01, 0.005, 0.005],
  short: [0.03, 0.01, 0.94, 0.01, 0.005, 0.005],
  joint: [0.82, 0.15, 0.015, 0.005, 0.005, 0.005],
  water: [0.9, 0.03, 0.055, 0.005, 0.005, 0.005],
  'split-pair': [0.28, 0.01, 0.01, 0.06, 0.02, 0.62],
  'pair-wiring': [0.04, 0.04, 0.02, 0.45, 0.43, 0.02],
  'pair-unbalance': [0.8, 0.14, 0.03, 0.01, 0.01, 0.01],
} as const;

/** Whatever is not listed explains anything that was read of one kind as well as so little of the best that is listed. */
export const unlistedShare = 0.02;

/** No cause is ever claimed with more than this. Policy. */
export const mostCertain = 0.99;
