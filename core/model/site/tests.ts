import type { Unit } from '#core/shared/units';
import type { RunState } from './run';

/** Where the instrument is hooked up and what is done with the far end, for the small drawing beside a test. */
export interface TestHookUp {
  /** End of the run at which somebody stands. */
  at: 'head-end' | 'camera' | 'both-ends';
  on: 'pairs' | 'centre-shield' | 'shield-earth' | 'power-cores' | 'picture' | 'camera' | 'link';
  far: 'as-found' | 'open' | 'shorted';
}

/**
 * What a meter measures; `loaded-ac-volts` with a low impedance, `supply-volts` AC or DC as the camera is fed. What only a tester of
 * category cable or of its power tells is typed, or read from that tester's table.
 */
export type Measured =
  'cable-tester' | 'ac-volts' | 'loaded-ac-volts' | 'dc-volts' | 'supply-volts' | 'ohms' | 'megohms';

/** A limit that is the same for every run, with what is said on either side of it and close to it. */
export interface TestLimit {
  sense: 'at-most' | 'at-least';
  value: number;
  from: 'policy' | 'standard';
  message: { holds: string; close: string; fails: string };
  conclusion: string;
}

/** A test that reads one figure. This row is all that the schema, the bench, tables and instruments know of it. */
interface FigureTest {
  asks: { kind: 'figure'; unit: Unit };
  measures: Measured;
  /** Whether the lamps of the camera are on while it is read. */
  lamps?: 'off' | 'on';
  /** Other names under which people write it down, small letters. */
  alsoCalled: readonly string[];
  /** A test without one is judged by a rule of its own in the room of findings. */
  limit?: TestLimit;
}

/** A test that asks for more or less than a figure: a few words, a trace, what is seen. */
interface OtherTest {
  asks: { kind: 'words' } | { kind: 'trace' } | { kind: 'symptoms' } | { kind: 'link' };
}

interface AnyTest {
  id: string;
  label: string;
  /** Lines on which it says anything. */
  appliesTo: 'every-run' | 'coax-in-it' | 'coax-throughout' | 'pair-throughout' | 'fed-over-cores';
  /** It is asked for only once this was found. */
  onlyAfter?: 'raised-ac-volts';
  /** States of the run in which the test may be done. */
  allowedIn: readonly RunState[];
  connect: string;
  hookUp: TestHookUp;
  /** How long it takes once somebody stands there and the run is in the right state. Typical. */
  minutes: number;
}

const dead = ['isolated', 'disconnected'] as const;
const any = ['live', 'isolated', 'disconnected'] as const;
const live = ['live'] as const;

const figureIn = <U extends Unit>(unit: U) => ({ kind: 'figure', unit }) as const;

/** The tests in the order they are done: what could hurt first, dead tests next, live ones last. */
const rows = [
  {
    id: 'foreign-ac-volts',
    label: 'Foreign voltage, AC',
    asks: figureIn('V'),
    appliesTo: 'every-run',
    measures: 'ac-volts',
    alsoCalled: ['foreign voltage', 'foreign ac', 'vac'],
    allowedIn: any,
    minutes: 1,
    hookUp: { at: 'head-end', on: 'centre-shield', far: 'as-found' },
    connect:
      'Prove the meter on a known source. Centre to shield, then shield to earth; note the higher. Prove the meter again.',
  },
  {
    id: 'foreign-ac-loaded-volts',
    label: 'Foreign voltage, AC, low impedance',
    asks: figureIn('V'),
    appliesTo: 'every-run',
    onlyAfter: 'raised-ac-volts',
    measures: 'loaded-ac-volts',
    alsoCalled: ['foreign ac low impedance', 'low impedance volts'],
    allowedIn: any,
    minutes: 1,
    hookUp: { at: 'head-end', on: 'centre-shield', far: 'as-found' },
    connect:
      'The same points with the meter’s low-impedance range: volts that were only induced fall away. Insulated probes; touch nothing else.',
  },
  {
    id: 'foreign-dc-volts',
    label: 'Foreign voltage, DC',
    asks: figureIn('V'),
    appliesTo: 'every-run',
    measures: 'dc-volts',
    alsoCalled: ['foreign dc'],
    allowedIn: dead,
    minutes: 1,
    hookUp: { at: 'head-end', on: 'centre-shield', far: 'as-found' },
    connect: 'Centre to shield with the camera’s own supply off; the meter proved before and after.',
  },
  {
    id: 'shield-earth-volts',
    label: 'Shield to earth',
    asks: figureIn('V'),
    appliesTo: 'every-run',
    measures: 'ac-volts',
    alsoCalled: ['shield earth', 'earth'],
    allowedIn: any,
    minutes: 2,
    hookUp: { at: 'head-end', on: 'shield-earth', far: 'as-found' },
    connect: 'Lead off the recorder; shield to the local earth bar, AC range.',
    limit: {
      sense: 'at-most',
      value: 2,
      from: 'policy',
      message: {
        holds: 'same earth',
        close: 'same earth, close to the limit',
        fails: 'Different earths. Isolate; never just bond them.',
      },
      conclusion: 'A difference drives current through the shield and puts a bar in the picture.',
    },
  },
  {
    id: 'continuity',
    label: 'Continuity and shorts',
    asks: { kind: 'words' },
    appliesTo: 'every-run',
    allowedIn: dead,
    minutes: 2,
    hookUp: { at: 'both-ends', on: 'centre-shield', far: 'shorted' },
    connect: 'Far end open: must not beep. Far end shorted: must beep.',
  },
  {
    id: 'coax-loop-ohms',
    label: 'Loop, centre and shield',
    asks: figureIn('Ω'),
    appliesTo: 'coax-in-it',
    measures: 'ohms',
    alsoCalled: ['coax loop', 'loop', 'coax loop resistance'],
    allowedIn: dead,
    minutes: 3,
    hookUp: { at: 'both-ends', on: 'centre-shield', far: 'shorted' },
    connect: 'Short centre to shield at the far end; read at the head end.',
  },
  {
    id: 'power-loop-ohms',
    label: 'Loop, power cores',
    asks: figureIn('Ω'),
    appliesTo: 'fed-over-cores',
    measures: 'ohms',
    alsoCalled: ['power loop', 'power loop resistance'],
    allowedIn: dead,
    minutes: 3,
    hookUp: { at: 'both-ends', on: 'power-cores', far: 'shorted' },
    connect: 'Short the cores at the far end; read at the supply.',
  },
  {
    id: 'insulation-megohms',
    label: 'Insulation',
    asks: figureIn('MΩ'),
    appliesTo: 'every-run',
    measures: 'megohms',
    alsoCalled: ['insulation resistance', 'megohms'],
    allowedIn: ['disconnected'],
    minutes: 3,
    hookUp: { at: 'both-ends', on: 'centre-shield', far: 'open' },
    connect: 'Nothing connected at either end; 250 V or less. Discharge the cable after.',
  },
  {
    id: 'reflectometer',
    label: 'Reflectometer',
    asks: { kind: 'trace' },
    appliesTo: 'every-run',
    allowedIn: dead,
    minutes: 4,
    hookUp: { at: 'head-end', on: 'centre-shield', far: 'open' },
    connect: 'At the head end, the far end open; the velocity factor of the cable set.',
  },
  {
    id: 'wire-map',
    label: 'Wire map',
    asks: { kind: 'words' },
    appliesTo: 'pair-throughout',
    allowedIn: dead,
    minutes: 3,
    hookUp: { at: 'both-ends', on: 'pairs', far: 'as-found' },
    connect:
      'Baluns and camera off; the tester at the head end, its remote at the camera, all eight conductors.',
  },
  {
    id: 'pair-length-m',
    label: 'Length by tester',
    asks: figureIn('m'),
    appliesTo: 'pair-throughout',
    measures: 'cable-tester',
    alsoCalled: ['tested length', 'pair length', 'longest pair', 'longest pair m'],
    allowedIn: dead,
    minutes: 1,
    hookUp: { at: 'both-ends', on: 'pairs', far: 'as-found' },
    connect: 'The longest pair, with the velocity factor of this cable set.',
    limit: {
      sense: 'at-most',
      value: 90,
      from: 'standard',
      message: {
        holds: 'within a fixed link',
        close: 'within a fixed link, little to spare',
        fails: 'longer than a fixed link may be',
      },
      conclusion: 'A fixed link has at most 90 m at 20 °C; cords come to it. TIA-568.2-D, ISO/IEC 11801.',
    },
  },
  {
    id: 'pair-unbalance-percent',
    label: 'Unbalance within a pair',
    asks: figureIn('%'),
    appliesTo: 'pair-throughout',
    measures: 'cable-tester',
    alsoCalled: ['resistance unbalance', 'unbalance', 'dc unbalance', 'pair unbalance'],
    allowedIn: dead,
    minutes: 2,
    hookUp: { at: 'both-ends', on: 'pairs', far: 'as-found' },
    connect: 'The worst pair: difference of its two conductors, as a share of both.',
    limit: {
      sense: 'at-most',
      value: 3,
      from: 'standard',
      message: {
        holds: 'even',
        close: 'even, little to spare',
        fails: 'Unbalance: a bad contact or a damaged conductor. Power over this pair disturbs its data.',
      },
      conclusion:
        'Uneven conductors drive direct current through the transformers of the port until they pass no data. IEEE 802.3, TIA TSB-184-A.',
    },
  },
  {
    id: 'between-pairs-unbalance-percent',
    label: 'Unbalance between pairs',
    asks: figureIn('%'),
    appliesTo: 'pair-throughout',
    measures: 'cable-tester',
    alsoCalled: ['pair to pair unbalance', 'p2p unbalance', 'unbalance between pairs'],
    allowedIn: dead,
    minutes: 1,
    hookUp: { at: 'both-ends', on: 'pairs', far: 'as-found' },
    connect: 'The two pairs that differ most.',
    limit: {
      sense: 'at-most',
      value: 7,
      from: 'standard',
      message: {
        holds: 'even',
        close: 'even, little to spare',
        fails: 'Pairs are uneven: no power over all four of them.',
      },
      conclusion: 'Power over four pairs shares its current by their resistance. IEEE 802.3.',
    },
  },
  {
    id: 'insertion-loss-db',
    label: 'Insertion loss at 100 MHz',
    asks: figureIn('dB'),
    appliesTo: 'pair-throughout',
    measures: 'cable-tester',
    alsoCalled: ['insertion loss', 'attenuation', 'insertion loss db'],
    allowedIn: dead,
    minutes: 1,
    hookUp: { at: 'both-ends', on: 'pairs', far: 'as-found' },
    connect: 'The fixed link without cords, worst pair, by a certifier.',
    limit: {
      sense: 'at-most',
      value: 21,
      from: 'standard',
      message: {
        holds: 'within the link',
        close: 'within the link, little to spare',
        fails: 'loses more than a link may',
      },
      conclusion: 'A fixed link of Cat 5e loses at most 21.0 dB at 100 MHz. TIA-568.2-D.',
    },
  },
  {
    id: 'next-db',
    label: 'NEXT at 100 MHz',
    asks: figureIn('dB'),
    appliesTo: 'pair-throughout',
    measures: 'cable-tester',
    alsoCalled: ['next', 'near end crosstalk', 'next db'],
    allowedIn: dead,
    minutes: 1,
    hookUp: { at: 'both-ends', on: 'pairs', far: 'as-found' },
    connect: 'The fixed link without cords, worst two pairs, from both ends.',
    limit: {
      sense: 'at-least',
      value: 32.3,
      from: 'standard',
      message: {
        holds: 'pairs keep apart',
        close: 'pairs keep apart, little to spare',
        fails: 'Pairs talk into each other: a split pair, or twists undone at an end.',
      },
      conclusion: 'A fixed link of Cat 5e has at least 32.3 dB at 100 MHz. TIA-568.2-D.',
    },
  },
  {
    id: 'poe-load-watts',
    label: 'PoE under load',
    asks: figureIn('W'),
    appliesTo: 'pair-throughout',
    measures: 'cable-tester',
    alsoCalled: ['poe load', 'poe watts', 'power under load'],
    allowedIn: dead,
    minutes: 3,
    hookUp: { at: 'both-ends', on: 'pairs', far: 'as-found' },
    connect: 'A PoE port at the head end, a load tester at the camera: the most watts it holds for a minute.',
    limit: {
      sense: 'at-least',
      value: 12.95,
      from: 'standard',
      message: {
        holds: 'more than class 3 promises',
        close: 'what class 3 promises',
        fails: 'less than class 3 promises: cable, contacts or the port',
      },
      conclusion: 'A class 3 port promises 12.95 W at the end of its channel. IEEE 802.3.',
    },
  },
  {
    id: 'day-volts',
    label: 'Volts at the camera, day',
    asks: figureIn('V'),
    appliesTo: 'every-run',
    measures: 'supply-volts',
    lamps: 'off',
    alsoCalled: ['volts day', 'volts by day', 'day volts'],
    allowedIn: live,
    minutes: 2,
    hookUp: { at: 'camera', on: 'power-cores', far: 'as-found' },
    connect: 'At the camera’s terminals, lamps off.',
  },
  {
    id: 'night-volts',
    label: 'Volts at the camera, night',
    asks: figureIn('V'),
    appliesTo: 'every-run',
    measures: 'supply-volts',
    lamps: 'on',
    alsoCalled: ['volts night', 'volts at night', 'night volts'],
    allowedIn: live,
    minutes: 2,
    hookUp: { at: 'camera', on: 'power-cores', far: 'as-found' },
    connect: 'At the camera’s terminals with the lens covered, lamps on.',
  },
  {
    id: 'picture',
    label: 'Picture',
    asks: { kind: 'symptoms' },
    appliesTo: 'every-run',
    allowedIn: live,
    minutes: 2,
    hookUp: { at: 'head-end', on: 'picture', far: 'as-found' },
    connect: 'At the recorder’s monitor, by day and with the lens covered.',
  },
  {
    id: 'camera-at-head-end',
    label: 'Camera on a known-good lead',
    asks: { kind: 'words' },
    appliesTo: 'every-run',
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
    appliesTo: 'every-run',
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
    appliesTo: 'coax-throughout',
    allowedIn: dead,
    minutes: 12,
    hookUp: { at: 'both-ends', on: 'link', far: 'as-found' },
    connect: 'A converter at each end; the camera’s load at the far one.',
  },
] as const satisfies readonly (AnyTest & (FigureTest | OtherTest))[];

type Row = (typeof rows)[number];
type RowThat<Asks> = Extract<Row, { asks: Asks }>;
export type TestId = Row['id'];
/** Tests that read one figure. */
export type QuantityTestId = RowThat<{ kind: 'figure' }>['id'];
/** Tests that are judged by the limit in their row. */
export type LimitedTestId = Extract<Row, { limit: TestLimit }>['id'];

/** One test of a run: what is read, and the state of the run it needs. */
export type TestDefinition = AnyTest & { id: TestId } & (FigureTest | OtherTest);
export type QuantityTestDefinition = AnyTest & FigureTest & { id: QuantityTestId };

export const tests: readonly TestDefinition[] = rows;
export const quantityTests: readonly QuantityTestDefinition[] = rows.filter(
  (row): row is RowThat<{ kind: 'figure' }> => row.asks.kind === 'figure',
);
export const testIds: readonly TestId[] = rows.map(({ id }) => id);
export const quantityTestIds: readonly QuantityTestId[] = quantityTests.map(({ id }) => id);

const byId = new Map(tests.map((test) => [test.id, test]));

export function testDefinition(id: QuantityTestId): QuantityTestDefinition;
export function testDefinition(id: TestId): TestDefinition;
export function testDefinition(id: TestId): TestDefinition {
  const definition = byId.get(id);
  if (!definition) throw new Error(`unknown test ${id}`);
  return definition;
}
