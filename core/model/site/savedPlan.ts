import { z } from 'zod';
import { optionKinds } from './optionKinds';
import { demandsSchema } from './demands';
import { idSchema, instantSchema, nameSchema, noteSchema } from './vocabulary';

/** How sure it is that nothing better exists. */
export const proofSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('proven') }),
  z.strictObject({ kind: z.literal('gap'), percent: z.number().min(0).max(1000) }),
  z.strictObject({ kind: z.literal('by-hand') }),
]);
export type Proof = z.infer<typeof proofSchema>;

/** A plan that somebody kept: an option for each camera, under what was demanded then. What it comes to is worked out anew. */
export const savedPlanSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  at: instantSchema,
  by: nameSchema,
  /** Beside the others for comparison. A plan that was adopted stays on record when it is put away. */
  pinned: z.boolean(),
  options: z.record(idSchema, z.enum(optionKinds)),
  demands: demandsSchema,
  /** Recorders to be bought with it. */
  buys: z
    .array(z.strictObject({ productId: idSchema, placeId: idSchema, count: z.int().min(1).max(64) }))
    .max(50),
  proof: proofSchema,
  note: noteSchema.optional(),
});
export type SavedPlan = z.infer<typeof savedPlanSchema>;

/** So many plans stand beside each other at most. */
export const mostPinned = 4;
