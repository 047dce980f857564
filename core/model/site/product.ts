import { z } from 'zod';
import { fibreGrades, hdSchemes, pictureFormatIds } from '#core/physics/signal';
import { targetClasses } from './camera';
import { recorderSchema } from './headEnd';
import { idSchema, nameSchema, noteSchema, voltsSchema } from './vocabulary';

const portUnit = {
  ports: z.int().min(1).max(96),
  /** What all its ports can give together. */
  watts: z.number().min(0).max(5000),
  /** What one port gives at most; left out, the 30 W of class 4. */
  portWatts: z.number().positive().max(100).optional(),
  uplinkMbps: z.number().positive().max(100_000),
  rackUnits: z.int().min(0).max(12),
};

/** How a row of a data sheet says what is left at a distance. */
const distanceSchema = z.strictObject({
  lengthM: z.number().positive().max(5000),
  mbps: z.number().min(0).max(10_000),
  watts: z.number().min(0).max(200),
});
const rising = (rows: readonly { lengthM: number }[]): boolean =>
  rows.every(({ lengthM }, index) => index === 0 || lengthM > rows[index - 1]!.lengthM);

/** Calendar days from the order until it is there; left out, it is on the shelf. */
const leadDays = z.int().min(0).max(365).optional();

const shared = {
  id: idSchema,
  name: nameSchema,
  /** Where its figures come from; a price is always the user's own affair. */
  from: z.enum(['typical', 'data-sheet']),
  note: noteSchema.optional(),
};
/** In the site's currency; `null` while nobody has said. */
const each = z.number().min(0).max(1_000_000).nullable();

/** Something that is bought, hired or done: a row of the catalogue with its price. A site's own row takes the place of the generic one of the same id. */
export const productSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...shared,
    kind: z.literal('camera'),
    each,
    leadDays,
    serves: z.enum(targetClasses),
    signal: z.enum(['ip', 'hd']),
    megapixels: z.number().positive().max(64),
    /** What it takes by itself, and beside that with its lamps on and with a heater. */
    watts: z.number().positive().max(100),
    lampWatts: z.number().min(0).max(60),
    heaterWatts: z.number().min(0).max(60),
    /** The widest horizontal angle that its lens takes in; left out, that of the usual wide lens. */
    widestDegrees: z.number().min(5).max(170).optional(),
    /** For a moment when it starts; left out, a quarter more than by night. */
    startUpWatts: z.number().positive().max(200).optional(),
    /** The stream of an IP camera; the best format of an HD one. */
    mbps: z.number().min(0).max(100),
    format: z.enum(pictureFormatIds).optional(),
    /** Which schemes an HD camera can send; left out where its sheet was not read for that. */
    schemes: z.array(z.enum(hdSchemes)).min(1).max(hdSchemes.length).optional(),
    /** What an HD camera is fed with; left out, as its class usually is. An IP camera is fed by PoE. */
    supply: z
      .strictObject({ current: z.enum(['dc', 'ac', 'either']), minVolts: voltsSchema, maxVolts: voltsSchema })
      .refine(({ minVolts, maxVolts }) => minVolts < maxVolts, {
        error: 'a lowest voltage below the highest',
        path: ['minVolts'],
      })
      .optional(),
  }),
  z.strictObject({
    ...shared,
    kind: z.literal('converter'),
    each,
    leadDays,
    ownWatts: z.number().min(0).max(20),
    /** A table of a data sheet decides over the model. */
    distances: z
      .array(distanceSchema)
      .min(2)
      .max(30)
      .refine(rising, { error: 'distances that rise from row to row' })
      .optional(),
  }),
  z.strictObject({ ...shared, kind: z.literal('coax-unit'), each, leadDays, ...portUnit }),
  z.strictObject({ ...shared, kind: z.literal('poe-switch'), each, leadDays, ...portUnit }),
  /** A PoE switch whose ports reach further than Ethernet does, at a lower rate. */
  z.strictObject({
    ...shared,
    kind: z.literal('long-reach-switch'),
    each,
    leadDays,
    ...portUnit,
    reachM: z.number().min(100).max(2000),
    reachMbps: z.number().positive().max(1000),
  }),
  /** Makes a stream of each composite picture that is plugged into it. */
  z.strictObject({
    ...shared,
    kind: z.literal('encoder'),
    each,
    leadDays,
    ports: portUnit.ports,
    uplinkMbps: portUnit.uplinkMbps,
    rackUnits: portUnit.rackUnits,
    ownWatts: z.number().min(0).max(200),
  }),
  z.strictObject({
    ...shared,
    kind: z.literal('recorder'),
    each,
    leadDays,
    rackUnits: portUnit.rackUnits,
    ...recorderSchema.pick({
      inputs: true,
      accepts: true,
      schemes: true,
      rules: true,
      limits: true,
      restartMinutes: true,
    }).shape,
  }),
  z.strictObject({
    ...shared,
    kind: z.literal('radio'),
    each,
    leadDays,
    eirpDbm: z.number().min(0).max(40),
    gainDbi: z.number().min(0).max(35),
    ownWatts: z.number().min(0).max(30),
  }),
  z.strictObject({
    ...shared,
    kind: z.literal('fibre-end'),
    each,
    leadDays,
    budgetDb: z.number().positive().max(60),
    /** The fibre it is made for; left out, single mode. */
    fibre: z.enum(fibreGrades).optional(),
    /** Less light lost than this blinds its receiver; left out where no link is too short. */
    leastLossDb: z.number().min(0).max(40).optional(),
    mbps: z.number().positive().max(100_000),
    ownWatts: z.number().min(0).max(30),
  }),
  /** Parts and hire: so much for one, or for a metre. */
  z.strictObject({
    ...shared,
    kind: z.literal('part'),
    each,
    leadDays,
    per: z.enum(['one', 'metre', 'half-day']),
  }),
  /** Hours of one person for a task, or for a metre of it, and of them the hours in which the view is dark. */
  z.strictObject({
    ...shared,
    kind: z.literal('task'),
    per: z.enum(['one', 'metre']),
    hours: z.number().min(0).max(100),
    darkHours: z.number().min(0).max(100),
    /** Where it is done; left out, at the camera. Time at the camera is time on its lift. */
    where: z.enum(['bench', 'head-end', 'route']).optional(),
  }),
  /** An hour of one person. */
  z.strictObject({ ...shared, kind: z.literal('rate'), each }),
  /** What is usual of one kind of task of the nights, where nothing of the site says how long it takes. */
  z.strictObject({
    ...shared,
    kind: z.literal('work'),
    minutes: z.number().min(1).max(6000),
    people: z.int().min(1).max(6),
    rollBackMinutes: z.number().min(0).max(600),
    /** Calendar days from its beginning until it holds. */
    days: z.int().min(0).max(365),
  }),
]);
export type Product = z.infer<typeof productSchema>;
export type ProductKind = Product['kind'];
export type ProductOf<K extends ProductKind> = Extract<Product, { kind: K }>;
export const productKinds: readonly ProductKind[] = [
  'camera',
  'converter',
  'coax-unit',
  'poe-switch',
  'long-reach-switch',
  'encoder',
  'recorder',
  'radio',
  'fibre-end',
  'part',
  'task',
  'rate',
  'work',
];
