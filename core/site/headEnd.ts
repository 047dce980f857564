import { z } from 'zod';
import { pictureFormatIds } from '#core/signal';
import { currentSchema, idSchema, nameSchema, noteSchema, voltsSchema } from './vocabulary';

/** A power supply box: one rail, several fused outputs. */
export const supplySchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  placeId: idSchema,
  current: currentSchema,
  setVolts: voltsSchema,
  ratedAmps: z.number().positive().max(100),
  adjustable: z.strictObject({ minVolts: voltsSchema, maxVolts: voltsSchema }).optional(),
  outputs: z.array(z.strictObject({ number: z.int().min(1).max(64), fuseAmps: z.number().positive().max(32) })).min(1).max(64),
  note: noteSchema.optional(),
});
export type Supply = z.infer<typeof supplySchema>;

/** How a recorder lets coax inputs and IP slots be shared out. */
export const slotRulesSchema = z.discriminatedUnion('kind', [
  /** `extraIpSlots` after the last input; inputs turn to IP only from the highest number downwards. */
  z.strictObject({ kind: z.literal('from-the-tail'), extraIpSlots: z.int().min(0).max(64) }),
  /** Coax inputs stay coax; IP cameras go on the IP slots after them. */
  z.strictObject({ kind: z.literal('fixed-hybrid'), ipSlots: z.int().min(0).max(64) }),
]);
export type SlotRules = z.infer<typeof slotRulesSchema>;

export const recorderSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  placeId: idSchema,
  inputs: z.int().min(0).max(64),
  accepts: z.array(z.enum(pictureFormatIds)),
  rules: slotRulesSchema,
  limits: z.strictObject({
    incomingMbps: z.number().positive().max(10_000),
    slotMegapixels: z.number().positive().max(64),
    ipCameras: z.int().min(0).max(128),
  }),
  restartMinutes: z.number().min(0).max(120),
  note: noteSchema.optional(),
});
export type Recorder = z.infer<typeof recorderSchema>;

/** All slots of a recorder: its coax inputs, then its IP slots. */
export function slotCount(recorder: Recorder): number {
  return recorder.inputs + (recorder.rules.kind === 'from-the-tail' ? recorder.rules.extraIpSlots : recorder.rules.ipSlots);
}
