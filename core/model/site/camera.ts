import { z } from 'zod';
import { hdSchemes, pictureFormatIds, schemeSetters, type SentPicture } from '#core/physics/signal';
import { sensorIds, viewPurposeIds } from '#core/physics/optics';
import { telemetrySchema } from './telemetry';
import { currentSchema, idSchema, nameSchema, noteSchema, voltsSchema, wattsSchema } from './vocabulary';

export const bodies = ['slim', 'dome', 'vandal-dome', 'box', 'turning'] as const;
export const targetClasses = ['fixed-2mp', 'fixed-4mp', 'fixed-8mp', 'turning-4mp'] as const;

export const assumable = [
  'body',
  'format',
  'lineStandard',
  'lamps',
  'heater',
  'microphone',
  'supply',
  'watts',
] as const;
export type Assumable = (typeof assumable)[number];

const focalSchema = z.number().min(1).max(1000);

const windowSchema = z
  .strictObject({ minVolts: voltsSchema, maxVolts: voltsSchema, from: z.enum(['typical', 'data-sheet']) })
  .refine((window) => window.minVolts < window.maxVolts, {
    error: 'a lowest voltage below the highest',
    path: ['minVolts'],
  });

/** A camera as it hangs today, and what the view needs of its successor. */
const seenFromSchema = z.strictObject({
  cameraId: idSchema,
  /** The horizontal angle there that takes in both views, from edge to edge. */
  acrossDegrees: z.number().min(5).max(170),
  /** From there to what this view must see. */
  targetM: z.number().positive().max(2000),
});
export type SeenFrom = z.infer<typeof seenFromSchema>;

export const cameraSchema = z.strictObject({
  id: idSchema,
  number: z.int().min(1).max(9999),
  name: nameSchema,
  placeId: idSchema,
  body: z.enum(bodies),
  format: z.enum(pictureFormatIds),
  /** Of HD over coax: which scheme it sends; left out while nobody knows. How one of several schemes is told which to send. */
  scheme: z.enum(hdSchemes).optional(),
  schemeSetBy: z.enum(schemeSetters).optional(),
  lineStandard: z.enum(['625/50', '525/60']),
  lamps: z.enum(['none', 'infrared', 'white']),
  heater: z.boolean(),
  /** A pan-tilt-zoom drive, a fan or a wiper. */
  motor: z.boolean().optional(),
  microphone: z.boolean(),
  /** How it is steered, where it turns; left out while nobody has looked. */
  telemetry: telemetrySchema.optional(),
  supply: z.strictObject({ current: currentSchema, window: windowSchema }),
  watts: z
    .strictObject({
      day: wattsSchema,
      night: wattsSchema,
      startUp: wattsSchema,
      /** Of those by night a heater's, at its nominal volts; left out where nobody knows. */
      heater: wattsSchema.optional(),
    })
    .refine(({ night, heater = 0 }) => heater <= night, {
      error: 'a heater within the watts by night',
      path: ['heater'],
    }),
  lens: z
    .strictObject({
      sensor: z.enum(sensorIds),
      focalMm: focalSchema,
      range: z.strictObject({ minMm: focalSchema, maxMm: focalSchema }).optional(),
    })
    .refine(({ focalMm, range }) => !range || (range.minMm <= focalMm && focalMm <= range.maxMm), {
      error: 'a focal length within the range of the lens',
      path: ['focalMm'],
    })
    .optional(),
  /** How far away the thing is that it must see. */
  targetM: z.number().positive().max(2000).optional(),
  purpose: z.string().max(200),
  worthKeeping: z.enum(['yes', 'no', 'undecided']),
  /** The generic class of camera that would serve this view after the change. */
  target: z.enum(targetClasses),
  /** What the view has to be good for, and what its next camera needs beside a picture. What is left out stays as it is today. */
  needs: z
    .strictObject({
      detail: z.enum(viewPurposeIds).optional(),
      lamps: z.boolean().optional(),
      heater: z.boolean().optional(),
      audio: z.boolean().optional(),
      vandal: z.boolean().optional(),
    })
    .optional(),
  /** A camera of the catalogue that was picked for this view, by its data sheet. */
  modelId: idSchema.optional(),
  /** Another camera, from whose place one wide camera could see this view and its own. */
  seenFrom: seenFromSchema.optional(),
  /** The customer agrees that this view may be lost. */
  mayGo: z.boolean().optional(),
  /** What nobody has looked at yet: usual figures stand in until somebody does. */
  assumed: z.array(z.enum(assumable)).max(assumable.length).optional(),
  note: noteSchema.optional(),
});
export type Camera = z.infer<typeof cameraSchema>;
export type TargetClassId = Camera['target'];

/** What a camera sends today. */
export const sentToday = ({ format, scheme }: Pick<Camera, 'format' | 'scheme'>): SentPicture => ({
  format,
  ...(scheme ? { schemes: [scheme] } : {}),
});
