import { z } from 'zod';
import { pictureFormatIds } from '#core/signal';
import { currentSchema, idSchema, nameSchema, noteSchema, voltsSchema, wattsSchema } from './vocabulary';

export const bodies = ['slim', 'dome', 'vandal-dome', 'box', 'turning'] as const;
export const targetClasses = ['fixed-2mp', 'fixed-4mp', 'fixed-8mp', 'turning-4mp'] as const;

const windowSchema = z
  .strictObject({ minVolts: voltsSchema, maxVolts: voltsSchema, from: z.enum(['typical', 'data-sheet']) })
  .refine((window) => window.minVolts < window.maxVolts, { error: 'a lowest voltage below the highest', path: ['minVolts'] });

/** A camera as it hangs today, and what the view needs of its successor. */
export const cameraSchema = z.strictObject({
  id: idSchema,
  number: z.int().min(1).max(9999),
  name: nameSchema,
  placeId: idSchema,
  body: z.enum(bodies),
  format: z.enum(pictureFormatIds),
  lineStandard: z.enum(['625/50', '525/60']),
  lamps: z.enum(['none', 'infrared', 'white']),
  heater: z.boolean(),
  microphone: z.boolean(),
  supply: z.strictObject({ current: currentSchema, window: windowSchema }),
  watts: z.strictObject({ day: wattsSchema, night: wattsSchema, startUp: wattsSchema }),
  purpose: z.string().max(200),
  worthKeeping: z.enum(['yes', 'no', 'undecided']),
  /** The generic class of camera that would serve this view after the change. */
  target: z.enum(targetClasses),
  note: noteSchema.optional(),
});
export type Camera = z.infer<typeof cameraSchema>;
export type TargetClassId = Camera['target'];
