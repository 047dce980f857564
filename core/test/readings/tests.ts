import type { RunState, TestId } from '#core/model/site';
import type { Unit } from '#core/shared/units';

/** Where the instrument is hooked up and what is done with the far end, for the small drawing beside a test. */
export interface HookUp {
  /** End of the run at which somebody stands. */
  at: 'head-end' | 'camera' | 'both-ends';
  on: 'centre-shield' | 'shield-earth' | 'power-cores' | 'picture' | 'camera' | 'link';
  far: 'as-found' | 'open' | 'shorted';
}

/** One test of a run: what is read, and the state of the run it needs. */
export interface TestDefinition {
  id: TestId;
  label: string;
  /** What there is to write down: one figure, one of a few words, or more than that. */
  asks:
    | { kind: 'figure'; unit: Unit }
    | { kind: 'words' }
    | { kind: 'trace' }
    | { kind: 'symptoms' }
    | { kind: 'link' };
  /** States of the run in which the test may be done. */
  allowedIn: readonly RunState[];
  connect: string;
  hookUp: HookUp;
  /** How long it takes once somebody stands there and the run is in the right state. Typical. */
  minutes: number;
}

const dead: readonly RunState[] = ['isolated', 'disconnected'];
const any: readonly RunState[] = ['live', 'isolated', 'disconnected'];
const live: readonly RunState[] = ['live'];

const figureIn = (unit: Unit) => ({ kind: 'figure', unit }) as const;

/** The tests in the order they are done: what could hurt first, dead tests next, live ones last. */
export const tests: readonly TestDefinition[] = [
  {
    id: 'foreign-ac-volts',
    label: 'Foreign voltage, AC',
    asks: figureIn('V'),
    allowedIn: any,
    minutes: 1,
    hookUp: { at: 'head-end', on: 'centre-shield', far: 'as-found' },
    connect: 'Centre to shield, then shield to earth; note the higher.',
  },
  {
    id: 'foreign-dc-volts',
    label: 'Foreign voltage, DC',
    asks: figureIn('V'),
    allowedIn: dead,
    minutes: 1,
    hookUp: { at: 'head-end', on: 'centre-shield', far: 'as-found' },
    connect: 'Centre to shield with the camera’s own supply off.',
  },
  {
    id: 'shield-earth-volts',
    label: 'Shield to earth',
    asks: figureIn('V'),
    allowedIn: any,
    minutes: 2,
    hookUp: { at: 'head-end', on: 'shield-earth', far: 'as-found' },
    connect: 'Lead off the recorder; shield to the local earth bar, AC range.',
  },
  {
    id: 'continuity',
    label: 'Continuity and shorts',
    asks: { kind: 'words' },
    allowedIn: dead,
    minutes: 2,
    hookUp: { at: 'both-ends', on: 'centre-shield', far: 'shorted' },
    connect: 'Far end open: must not beep. Far end shorted: must beep.',
  },
  {
    id: 'coax-loop-ohms',
    label: 'Loop, centre and shield',
    asks: figureIn('Ω'),
    allowedIn: dead,
    minutes: 3,
    hookUp: { at: 'both-ends', on: 'centre-shield', far: 'shorted' },
    connect: 'Short centre to shield at the far end; read at the head end.',
  },
  {
    id: 'power-loop-ohms',
    label: 'Loop, power cores',
    asks: figureIn('Ω'),
    allowedIn: dead,
    minutes: 3,
    hookUp: { at: 'both-ends', on: 'power-cores', far: 'shorted' },
    connect: 'Short the cores at the far end; read at the supply.',
  },
  {
    id: 'insulation-megohms',
    label: 'Insulation',
    asks: figureIn('MΩ'),
    allowedIn: ['disconnected'],
    minutes: 3,
    hookUp: { at: 'both-ends', on: 'centre-shield', far: 'open' },
    connect: 'Nothing connected at either end; 250 V or less. Discharge the cable after.',
  },
  {
    id: 'reflectometer',
    label: 'Reflectometer',
    asks: { kind: 'trace' },
    allowedIn: dead,
    minutes: 4,
    hookUp: { at: 'head-end', on: 'centre-shield', far: 'open' },
    connect: 'At the head end, the far end open; the velocity factor of the cable set.',
  },
  {
    id: 'day-volts',
    label: 'Volts at the camera, day',
    asks: figureIn('V'),
    allowedIn: live,
    minutes: 2,
    hookUp: { at: 'camera', on: 'power-cores', far: 'as-found' },
    connect: 'At the camera’s terminals, lamps off.',
  },
  {
    id: 'night-volts',
    label: 'Volts at the camera, night',
    asks: figureIn('V'),
    allowedIn: live,
    minutes: 2,
    hookUp: { at: 'camera', on: 'power-cores', far: 'as-found' },
    connect: 'At the camera’s terminals with the lens covered, lamps on.',
  },
  {
    id: 'picture',
    label: 'Picture',
    asks: { kind: 'symptoms' },
    allowedIn: live,
    minutes: 2,
    hookUp: { at: 'head-end', on: 'picture', far: 'as-found' },
    connect: 'At the recorder’s monitor, by day and with the lens covered.',
  },
  {
    id: 'camera-at-head-end',
    label: 'Camera on a known-good lead',
    asks: { kind: 'words' },
    allowedIn: any,
    minutes: 8,
    hookUp: { at: 'camera', on: 'camera', far: 'as-found' },
    connect:
      'Bring the camera to the head end: short known-good lead, known-good supply, an input that works.',
  },
  {
    id: 'camera-on-local-supply',
    label: 'Camera on a local supply',
    asks: { kind: 'words' },
    allowedIn: live,
    minutes: 5,
    hookUp: { at: 'camera', on: 'power-cores', far: 'as-found' },
    connect:
      'Camera in its place on its own coax, fed from a known-good supply beside it. Check polarity first.',
  },
  {
    id: 'link',
    label: 'Link over converters',
    asks: { kind: 'link' },
    allowedIn: dead,
    minutes: 12,
    hookUp: { at: 'both-ends', on: 'link', far: 'as-found' },
    connect: 'A converter at each end; the camera’s load at the far one.',
  },
];

const byId = new Map(tests.map((test) => [test.id, test]));

export function testDefinition(id: TestId): TestDefinition {
  const definition = byId.get(id);
  if (!definition) throw new Error(`unknown test ${id}`);
  return definition;
}
