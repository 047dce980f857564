import type { Unit } from '#core/shared/units';

/** Kinds of thing that are accepted one by one. */
export const acceptedKinds = ['camera', 'link', 'radioPath', 'recorder', 'supply', 'equipment'] as const;

/** What a check asks whoever makes it: a figure, whether something is so, hours under watch, or a few words. */
export type CheckAsks =
  { kind: 'figure'; unit: Unit } | { kind: 'seen' } | { kind: 'soak' } | { kind: 'words'; prompt: string };

/** One thing that is looked at before anybody signs. This row is all that the schema, the screens and the papers know of it. */
interface AcceptanceCheckRow {
  id: string;
  label: string;
  asks: CheckAsks;
  /** How it is done, and with what. */
  how: string;
  /** What it is usually done with. */
  instrument: string;
}

const figureIn = <U extends Unit>(unit: U) => ({ kind: 'figure', unit }) as const;
const seen = { kind: 'seen' } as const;
const soak = { kind: 'soak' } as const;
const words = <P extends string>(prompt: P) => ({ kind: 'words', prompt }) as const;

/** In the order in which they are made: what could hurt or damage first, then what carries, then what is seen, then who may get in. */
const rows = [
  {
    id: 'lamp-volts',
    label: 'Volts with lamps and heater on',
    asks: figureIn('V'),
    how: 'At the camera’s plug, 15 minutes after lamps and heater came on. Mind the polarity.',
    instrument: 'multimeter',
  },
  {
    id: 'idle-volts',
    label: 'Volts while idle',
    asks: figureIn('V'),
    how: 'At the camera’s plug by day, lamps and heater off.',
    instrument: 'multimeter',
  },
  {
    id: 'delivered-watts',
    label: 'Watts that arrive over the coax',
    asks: figureIn('W'),
    how: 'A load tester in place of the camera, raised until the volts begin to fall away.',
    instrument: 'PoE load tester',
  },
  {
    id: 'port-watts',
    label: 'Watts the port gives',
    asks: figureIn('W'),
    how: 'At the port of the switch or unit, lamps and heater on.',
    instrument: 'switch or unit',
  },
  {
    id: 'pool-watts',
    label: 'Watts all ports give together',
    asks: figureIn('W'),
    how: 'At the switch or unit by night, every lamp and heater on.',
    instrument: 'switch or unit',
  },
  {
    id: 'throughput',
    label: 'Rate of the link',
    asks: figureIn('Mb/s'),
    how: 'End to end through both converters, both ways, the lower of the two.',
    instrument: 'throughput test',
  },
  {
    id: 'lost-packets',
    label: 'Lost in 10 minutes at full load',
    asks: figureIn('%'),
    how: 'Ten minutes with every stream running, by the counters of the port or the test.',
    instrument: 'throughput test',
  },
  {
    id: 'soak',
    label: 'Soak over dusk and dawn',
    asks: soak,
    how: 'The counters of the port over the whole time, lamps and heater working as they will.',
    instrument: 'switch counters',
  },
  {
    id: 'cable-tester',
    label: 'Category tester',
    asks: seen,
    how: 'Permanent link or channel, as the cable stands; the tester’s own verdict.',
    instrument: 'category tester',
  },
  {
    id: 'frame-errors',
    label: 'Frame errors in 10 minutes at full load',
    asks: figureIn(''),
    how: 'The error counter of the port before and after; what it rose by.',
    instrument: 'switch counters',
  },
  {
    id: 'fibre-loss',
    label: 'Loss of the fibre',
    asks: figureIn('dB'),
    how: 'Light source and meter, both ways, the higher. Never look into a fibre end.',
    instrument: 'light source and meter',
  },
  {
    id: 'radio-level',
    label: 'Level of the radio',
    asks: figureIn('dB'),
    how: 'What both ends show over their noise, the lower of the two.',
    instrument: 'radio',
  },
  {
    id: 'busy-rate',
    label: 'Rate of the radio at a busy hour',
    asks: figureIn('Mb/s'),
    how: 'End to end while the neighbours are on the air.',
    instrument: 'throughput test',
  },
  {
    id: 'pixels-per-metre',
    label: 'Pixels on one metre at the target',
    asks: figureIn('px/m'),
    how: 'A one-metre target held at the marked spot; its ends marked in the picture.',
    instrument: 'one-metre target',
  },
  {
    id: 'frame-agrees',
    label: 'View agrees with the old picture',
    asks: seen,
    how: 'Old and new picture side by side: the same edges, nothing in front.',
    instrument: 'by eye',
  },
  {
    id: 'picture-by-day',
    label: 'Picture by day',
    asks: seen,
    how: 'Sharp at the target, no glare, colours as they are.',
    instrument: 'by eye',
  },
  {
    id: 'picture-by-lamps',
    label: 'Picture by lamps',
    asks: seen,
    how: 'After dark: sharp at the target, nothing close burnt out, no reflections of the lamps.',
    instrument: 'by eye',
  },
  {
    id: 'masks',
    label: 'Privacy masks',
    asks: seen,
    how: 'Where the law or the customer asks for them; none where none is asked for.',
    instrument: 'by eye',
  },
  {
    id: 'playback',
    label: 'Playback exported',
    asks: seen,
    how: 'A minute of last night found, played and exported from the recorder.',
    instrument: 'recorder',
  },
  {
    id: 'clock-off',
    label: 'Clock off by',
    asks: figureIn('s'),
    how: 'Beside a clock that is known to be right.',
    instrument: 'known clock',
  },
  {
    id: 'day-rate',
    label: 'Mean rate over 24 hours',
    asks: figureIn('Mb/s'),
    how: 'What the recorder wrote in a day and a night, as a rate.',
    instrument: 'recorder',
  },
  {
    id: 'loss-alarm',
    label: 'Loss of a camera is told',
    asks: seen,
    how: 'One camera unplugged: whoever is to hear of it heard of it.',
    instrument: 'by trial',
  },
  {
    id: 'night-amps',
    label: 'Amps with every lamp and heater on',
    asks: figureIn('A'),
    how: 'A clamp around the conductor of the box, never by breaking the circuit. Mains side: licensed people only.',
    instrument: 'clamp meter',
  },
  {
    id: 'ups-minutes',
    label: 'Minutes without mains',
    asks: figureIn('min'),
    how: 'Its mains plug pulled by night; until the first device goes.',
    instrument: 'watch',
  },
  {
    id: 'ups-return',
    label: 'Clean return of the mains',
    asks: seen,
    how: 'Mains back: every device runs on or starts by itself, nothing hangs.',
    instrument: 'by trial',
  },
  {
    id: 'labels',
    label: 'Labels at both ends',
    asks: seen,
    how: 'The same words at the camera and at the head end, as on the list.',
    instrument: 'by eye',
  },
  {
    id: 'serial',
    label: 'Serial number',
    asks: words('As on its plate'),
    how: 'Off its plate before it goes up, or as the device itself shows it. A warranty is claimed by it.',
    instrument: 'by eye',
  },
  {
    id: 'password-holder',
    label: 'No default password',
    asks: words('Who holds it (never the password itself)'),
    how: 'Tried with the password it was sold with: it is refused. Write down who holds the new one.',
    instrument: 'by trial',
  },
  {
    id: 'firmware',
    label: 'Firmware',
    asks: words('Its version'),
    how: 'As the device itself shows it.',
    instrument: 'device',
  },
  {
    id: 'closed-outside',
    label: 'Camera network closed from outside',
    asks: seen,
    how: 'From outside the site no device of the camera network answers.',
    instrument: 'by trial',
  },
] as const satisfies readonly AcceptanceCheckRow[];

export type AcceptanceCheckId = (typeof rows)[number]['id'];
export type AcceptanceCheck = AcceptanceCheckRow & { id: AcceptanceCheckId };
export const acceptanceChecks: readonly AcceptanceCheck[] = rows;
export const acceptanceCheckIds = rows.map(({ id }) => id);

const byId = new Map<string, AcceptanceCheck>(rows.map((row) => [row.id, row]));

/** What is known of a check by its id. */
export const acceptanceCheckOf = (id: AcceptanceCheckId): AcceptanceCheck => byId.get(id)!;
