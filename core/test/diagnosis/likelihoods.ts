/**
 * What is wrong with a camera's line, how often, and what each cause shows in each test. This file is all that the
 * diagnosis believes; everything else is Bayes' rule. The figures are judgement of practice, meant to be read and argued
 * with: a row is a cause, its figures are chances in a hundred of each outcome in the order of the outcomes.
 */

export const causes = [
  'sound',
  'supply',
  'power-conductor',
  'joint',
  'coax-conductor',
  'coax-loss',
  'echo',
  'water',
  'earth-difference',
  'format',
  'line-standard',
  'camera',
  'input',
  'tap',
  'split-pair',
  'pair-wiring',
  'pair-unbalance',
  'unlisted',
] as const;
export type Cause = (typeof causes)[number];

/** Causes that only category cable knows. */
export const pairCauses: ReadonlySet<Cause> = new Set(['split-pair', 'pair-wiring', 'pair-unbalance']);

export const causeWords: Record<Cause, { label: string; means: string; remedy: string }> = {
  sound: {
    label: 'Nothing wrong',
    means: 'the run and the camera do what they should',
    remedy: 'Use it within its margins.',
  },
  supply: {
    label: 'Supply',
    means: 'the supply sags, ripples or is set wrong',
    remedy: 'Measure at its terminals under load; check the sum of amps and the fuse.',
  },
  'power-conductor': {
    label: 'Power cores',
    means: 'the cores or a joint in them take too many volts',
    remedy: 'Parallel spare cores, heavier cores, a local supply; or remake the power joint.',
  },
  joint: {
    label: 'Coax joint',
    means: 'a poor joint in the coax',
    remedy: 'Remake the joint, after proving the run dead.',
  },
  'coax-conductor': {
    label: 'Coax core',
    means: 'another core than noted, or a broken one',
    remedy: 'Note the construction that is there; it limits power over coax.',
  },
  'coax-loss': {
    label: 'Coax loss',
    means: 'the coax is too long or too thin for the picture sent over it',
    remedy: 'A lower format, an IP camera over the coax, or other cable.',
  },
  echo: {
    label: 'Echo',
    means: 'a piece of other impedance, or an end that is not matched',
    remedy: 'Take the odd piece out; terminate the line once, at its end.',
  },
  water: {
    label: 'Water',
    means: 'water in the cable or a joint',
    remedy: 'Cut back to dry cable or replace the length; seal the joint.',
  },
  'earth-difference': {
    label: 'Earth difference',
    means: 'the ends stand on different earths',
    remedy: 'An isolating device in the line. Never just bond them.',
  },
  format: {
    label: 'Picture format',
    means: 'camera and input do not agree on the format',
    remedy: 'Set both to the same format; know the way back before forcing one.',
  },
  'line-standard': {
    label: 'Line standard',
    means: '625/50 meets 525/60',
    remedy: 'Set both ends to the same standard.',
  },
  camera: {
    label: 'Camera',
    means: 'the camera itself',
    remedy: 'Replace it, or move on with its successor.',
  },
  input: { label: 'Recorder input', means: 'the recorder’s input', remedy: 'Patch to another input.' },
  tap: {
    label: 'Tap',
    means: 'a branch left on the coax',
    remedy: 'Find it at its metre and take it out; join the coax through.',
  },
  'split-pair': {
    label: 'Split pair',
    means: 'conductors straight through, but twisted with the wrong partner',
    remedy: 'Terminate both ends by the twists of the cable, then certify it.',
  },
  'pair-wiring': {
    label: 'Pair reversed or crossed',
    means: 'an end of the category cable is wired to the wrong contacts',
    remedy: 'Terminate both ends anew by one scheme, then map it again.',
  },
  'pair-unbalance': {
    label: 'Unbalance',
    means: 'a bad contact or a damaged conductor in a pair',
    remedy: 'Terminate the pair anew; if it stays uneven, replace the cable before it carries power.',
  },
  unlisted: {
    label: 'Something else',
    means: 'something that is not on this list, or more than one thing',
    remedy: 'Look again from the start.',
  },
};

/** Chances in a thousand, before anything is read, that a run called in for a look has this for its main trouble. */
export const priors: Record<Cause, number> = {
  sound: 600,
  supply: 30,
  'power-conductor': 60,
  joint: 60,
  'coax-conductor': 30,
  'coax-loss': 30,
  echo: 15,
  water: 30,
  'earth-difference': 30,
  format: 15,
  'line-standard': 10,
  camera: 40,
  input: 15,
  tap: 15,
  'split-pair': 15,
  'pair-wiring': 15,
  'pair-unbalance': 10,
  unlisted: 20,
};

type Chances = readonly number[];
export interface Evidence {
  outcomes: readonly string[];
  chances: Record<Cause, Chances>;
}

/** Every row the same, but for those that are given. */
function rows(usual: Chances, special: Partial<Record<Cause, Chances>>): Record<Cause, Chances> {
  const flat = usual.map(() => 100 / usual.length);
  return Object.fromEntries(
    causes.map((cause) => [cause, special[cause] ?? (cause === 'unlisted' ? flat : usual)]),
  ) as Record<Cause, Chances>;
}

export const evidence = {
  'wire-map': {
    outcomes: ['straight', 'open', 'short', 'crossed', 'reversed', 'split'],
    chances: rows([96, 1, 1, 0.8, 0.8, 0.4], {
      sound: [98.4, 0.3, 0.3, 0.4, 0.4, 0.2],
      joint: [60, 30, 4, 2, 2, 2],
      water: [88, 3, 6, 1, 1, 1],
      'split-pair': [28, 1, 1, 6, 2, 62],
      'pair-wiring': [4, 4, 2, 45, 43, 2],
      'pair-unbalance': [80, 14, 3, 1, 1, 1],
    }),
  },
  'pair-unbalance-percent': {
    outcomes: ['even', 'uneven'],
    chances: rows([97, 3], { sound: [99, 1], 'pair-unbalance': [6, 94], joint: [88, 12], water: [88, 12] }),
  },
  'next-db': {
    outcomes: ['apart', 'into-each-other'],
    chances: rows([95, 5], { sound: [98, 2], 'split-pair': [4, 96], 'pair-wiring': [80, 20] }),
  },
  'insertion-loss-db': {
    outcomes: ['within', 'more'],
    chances: rows([92, 8], { sound: [96, 4], 'coax-loss': [10, 90], water: [50, 50], joint: [70, 30] }),
  },
  'foreign-ac-volts': {
    outcomes: ['low', 'raised'],
    chances: rows([98, 2], { 'earth-difference': [80, 20], supply: [92, 8] }),
  },
  'foreign-dc-volts': {
    outcomes: ['low', 'raised'],
    chances: rows([98, 2], { water: [85, 15], 'earth-difference': [92, 8] }),
  },
  'shield-earth-volts': {
    outcomes: ['same', 'some', 'different'],
    chances: rows([88, 10, 2], {
      sound: [92, 7.8, 0.2],
      'earth-difference': [2, 13, 85],
      supply: [75, 18, 7],
    }),
  },
  continuity: {
    outcomes: ['through', 'open', 'shorted'],
    chances: rows([98, 1, 1], {
      joint: [82, 16, 2],
      'coax-conductor': [78, 20, 2],
      water: [88, 2, 10],
      tap: [92, 1, 7],
      sound: [99.4, 0.3, 0.3],
    }),
  },
  'coax-loop-ohms': {
    outcomes: ['as-noted', 'less', 'joint', 'other-cable', 'length', 'unclear'],
    chances: rows([88, 4, 1.5, 1.5, 3, 2], {
      sound: [93.8, 4, 0.2, 0.1, 1.5, 0.4],
      joint: [18, 2, 55, 3, 7, 15],
      'coax-conductor': [6, 2, 6, 70, 6, 10],
      'coax-loss': [73, 4, 3, 4, 12, 4],
      water: [62, 16, 10, 3, 4, 5],
    }),
  },
  'power-loop-ohms': {
    outcomes: ['as-noted', 'less', 'more', 'heavy'],
    chances: rows([90, 4, 4, 2], { sound: [94, 4, 1.5, 0.5], 'power-conductor': [50, 1, 25, 24] }),
  },
  'insulation-megohms': {
    outcomes: ['dry', 'damp', 'wet'],
    chances: rows([88, 10, 2], { sound: [92, 7.5, 0.5], joint: [62, 30, 8], water: [3, 37, 60] }),
  },
  // A blemish is less than a fault: every second cable has one.
  reflectometer: {
    outcomes: ['clean', 'blemish', 'series', 'shunt', 'other-impedance', 'tap', 'early-end'],
    chances: rows([88, 8, 1.2, 1, 1, 0.4, 0.4], {
      sound: [94, 5.5, 0.1, 0.1, 0.2, 0.05, 0.05],
      joint: [14, 12, 58, 4, 3, 0.5, 8.5],
      'coax-conductor': [60, 12, 6, 2, 5, 0.5, 14.5],
      water: [18, 14, 4, 52, 9, 1, 2],
      echo: [12, 14, 6, 4, 60, 2.5, 1.5],
      tap: [3, 5, 2, 8, 6, 75, 1],
      'coax-loss': [75, 10, 4, 2, 6, 1, 2],
    }),
  },
  // Too low and yet what supply and cores should give: then it is the cores, however sound.
  'day-volts': {
    outcomes: ['as-expected', 'below-expected', 'too-low', 'too-low-by-cores', 'too-high'],
    chances: rows([90, 6, 2, 1, 1], {
      sound: [95.3, 3.5, 0.5, 0.2, 0.5],
      supply: [22, 34, 31, 1, 12],
      'power-conductor': [62, 16, 8, 13, 1],
    }),
  },
  'night-volts': {
    outcomes: ['as-expected', 'below-expected', 'too-low', 'too-low-by-cores', 'too-high'],
    chances: rows([89, 7, 2, 1, 1], {
      sound: [94.8, 4, 0.5, 0.2, 0.5],
      supply: [16, 28, 45, 1, 10],
      'power-conductor': [6, 22, 27, 44, 1],
    }),
  },
  'camera-at-head-end': {
    outcomes: ['works', 'fails'],
    chances: rows([97, 3], { camera: [4, 96], format: [60, 40], 'line-standard': [45, 55], input: [93, 7] }),
  },
  'camera-on-local-supply': {
    outcomes: ['works', 'fails'],
    chances: rows([30, 70], {
      sound: [96, 4],
      supply: [94, 6],
      'power-conductor': [96, 4],
      camera: [6, 94],
      'earth-difference': [55, 45],
    }),
  },
  link: {
    outcomes: ['full', 'slow', 'none'],
    chances: rows([90, 7, 3], {
      sound: [95, 4, 1],
      joint: [35, 45, 20],
      'coax-conductor': [60, 22, 18],
      'coax-loss': [55, 35, 10],
      water: [25, 50, 25],
      tap: [22, 48, 30],
      echo: [45, 45, 10],
    }),
  },
  'seen-soft': {
    outcomes: ['no', 'yes'],
    chances: rows([95, 5], {
      sound: [98, 2],
      'coax-loss': [8, 92],
      joint: [70, 30],
      water: [45, 55],
      echo: [75, 25],
      tap: [55, 45],
      camera: [80, 20],
      'power-conductor': [90, 10],
    }),
  },
  'seen-ghost': {
    outcomes: ['no', 'yes'],
    chances: rows([98, 2], {
      sound: [99.3, 0.7],
      echo: [12, 88],
      tap: [22, 78],
      joint: [88, 12],
      water: [85, 15],
    }),
  },
  'seen-bars': {
    outcomes: ['no', 'yes'],
    chances: rows([97, 3], {
      sound: [99.2, 0.8],
      'earth-difference': [7, 93],
      supply: [55, 45],
      joint: [92, 8],
    }),
  },
  'seen-sparkles': {
    outcomes: ['no', 'yes'],
    chances: rows([96, 4], {
      sound: [99, 1],
      joint: [38, 62],
      water: [68, 32],
      'coax-conductor': [80, 20],
      input: [85, 15],
    }),
  },
  'seen-torn': {
    outcomes: ['no', 'yes'],
    chances: rows([97, 3], {
      sound: [99.3, 0.7],
      format: [30, 70],
      'line-standard': [22, 78],
      'coax-loss': [80, 20],
      tap: [80, 20],
      joint: [82, 18],
      supply: [82, 18],
    }),
  },
  'seen-rolling': {
    outcomes: ['no', 'yes'],
    chances: rows([98, 2], {
      sound: [99.6, 0.4],
      'line-standard': [18, 82],
      format: [72, 28],
      supply: [82, 18],
      camera: [88, 12],
      'earth-difference': [88, 12],
    }),
  },
  'seen-test-bars-only': {
    outcomes: ['no', 'yes'],
    chances: rows([99, 1], {
      sound: [99.7, 0.3],
      'power-conductor': [86, 14],
      supply: [84, 16],
      camera: [82, 18],
    }),
  },
  'seen-no-picture': {
    outcomes: ['no', 'yes'],
    chances: rows([95, 5], {
      sound: [99.6, 0.4],
      camera: [42, 58],
      input: [18, 82],
      format: [45, 55],
      'coax-conductor': [72, 28],
      joint: [78, 22],
      supply: [68, 32],
      'power-conductor': [76, 24],
      water: [88, 12],
    }),
  },
  'seen-gone-at-night': {
    outcomes: ['no', 'yes'],
    chances: rows([98, 2], {
      sound: [99.5, 0.5],
      'power-conductor': [28, 72],
      supply: [46, 54],
      camera: [88, 12],
    }),
  },
} satisfies Record<string, Evidence>;
export type EvidenceId = keyof typeof evidence;

/**
 * Symptoms of one picture, and readings of one loop, are not independent of each other given the cause. Each piece of
 * evidence beyond the first of its group counts for this share of its weight.
 */
export const repeatedShare = 0.6;
export const groups: Partial<Record<EvidenceId, string>> = {
  'seen-soft': 'picture',
  'seen-ghost': 'picture',
  'seen-bars': 'picture',
  'seen-sparkles': 'picture',
  'seen-torn': 'picture',
  'seen-rolling': 'picture',
  'seen-test-bars-only': 'picture',
  'seen-no-picture': 'picture',
  'seen-gone-at-night': 'picture',
  'day-volts': 'power',
  'night-volts': 'power',
  'power-loop-ohms': 'power',
};

/** No cause is ever claimed with more than this: the tables themselves are not surer. */
export const mostCertain = 0.97;
