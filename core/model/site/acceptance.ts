import { z } from 'zod';
import { acceptedThingSchema } from './acceptanceReading';
import { idSchema, instantSchema, nameSchema, noteSchema } from './vocabulary';

/** Paper that a signature is drawn on, in its own units: a stroke is x, y, x, y, … from its upper left. */
export const signatureSize = { width: 600, height: 200 } as const;
const strokeSchema = z
  .array(z.int().min(0).max(signatureSize.width))
  .min(2)
  .max(2000)
  .refine((stroke) => stroke.length % 2 === 0, 'pairs of figures');
export const signatureSchema = z.array(strokeSchema).min(1).max(60);
export type Signature = z.infer<typeof signatureSchema>;

/** Whom a signature speaks for. */
export const signerRoles = ['customer', 'integrator'] as const;
export type SignerRole = (typeof signerRoles)[number];

/**
 * Somebody accepted things of a site by what was read of them. It is never altered: what is accepted later stands beside it, and one that
 * was wrong is withdrawn with a reason.
 */
export const acceptanceSchema = z.strictObject({
  id: idSchema,
  things: z.array(acceptedThingSchema).min(1).max(2000),
  /** Every reading that it rests on. */
  readingIds: z.array(idSchema).max(20_000),
  /** What it is accepted in spite of, as it stood then. */
  exceptions: z.array(z.strictObject({ punchId: idSchema, what: z.string().min(1).max(300) })).max(500),
  signedBy: nameSchema,
  role: z.enum(signerRoles),
  signature: signatureSchema.optional(),
  note: noteSchema.optional(),
  at: instantSchema,
  /** Who was signed in on the device. */
  by: nameSchema,
  withdrawn: z
    .strictObject({ why: z.string().trim().min(1).max(200), at: instantSchema, by: nameSchema })
    .optional(),
});
export type Acceptance = z.infer<typeof acceptanceSchema>;
