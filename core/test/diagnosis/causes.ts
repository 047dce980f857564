import { troubles, type Trouble } from '#core/model/site';
import type { LineKind } from '#core/test/findings';

/** Troubles as the facts of a site name them. `sound` is that none of them is there. */
export { troubles, type Trouble };

export const causes = ['sound', ...troubles] as const;
export type Cause = (typeof causes)[number];
/** How likely each cause is present; `sound` that none is. */
export type Belief = Record<Cause, number>;

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
  'power-drop': {
    label: 'Power drop',
    means: 'the cores as they are take too many volts for this camera',
    remedy: 'Parallel spare cores, heavier cores, more volts at the source, or a local supply.',
  },
  'power-construction': {
    label: 'Power cores',
    means: 'other cores than noted, thinner or of another metal',
    remedy: 'Note the cores that are there; parallel spare cores, heavier cores, or a local supply.',
  },
  'power-joint': {
    label: 'Power joint',
    means: 'a poor joint in the power cores',
    remedy: 'Prove it dead, find the joint that is warm or loose, and remake it.',
  },
  joint: {
    label: 'Coax joint',
    means: 'a poor joint in the coax',
    remedy: 'Remake the joint, after proving the run dead.',
  },
  'coax-construction': {
    label: 'Coax core',
    means: 'another core than noted',
    remedy: 'Note the construction that is there; it limits power over coax.',
  },
  open: {
    label: 'Open coax',
    means: 'the core or the shield is broken',
    remedy: 'Go to the metre, after proving the run dead, and join it anew.',
  },
  short: {
    label: 'Shorted coax',
    means: 'core and shield touch',
    remedy: 'Go to the metre: a nail, a crushed cable, or a strand in a connector.',
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
  tap: {
    label: 'Tap',
    means: 'a branch left on the coax',
    remedy: 'Find it at its metre and take it out; join the coax through.',
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
    means: 'something that is not on this list',
    remedy: 'Look again from the start.',
  },
};

/** Troubles that only category cable knows, and those of a coax construction. */
const pairTroubles: ReadonlySet<Trouble> = new Set(['split-pair', 'pair-wiring', 'pair-unbalance']);
const coaxTroubles: ReadonlySet<Trouble> = new Set(['coax-construction']);

/** Troubles of cores, which an adapter beside its camera has none of. */
const coreTroubles: ReadonlySet<Trouble> = new Set(['power-drop', 'power-construction', 'power-joint']);

/** Whether a line of this kind, fed so, can have this trouble at all. */
export const canHave = (trouble: Trouble, line: LineKind, isFedAlong: boolean): boolean =>
  !(line === 'coax' && pairTroubles.has(trouble)) &&
  !(line === 'pair' && coaxTroubles.has(trouble)) &&
  (isFedAlong || !coreTroubles.has(trouble));
