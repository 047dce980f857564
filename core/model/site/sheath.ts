import { z } from 'zod';
import { idSchema, nameSchema, noteSchema } from './vocabulary';

const memberSchema = z.strictObject({
  runId: idSchema,
  /** Which segment of the run, counted from 0 at its head end. */
  segment: z.int().min(0).max(49),
});
export type SheathMember = z.infer<typeof memberSchema>;

/** One physical cable that several runs share: each has some of its pairs, and nobody has those of another. */
export const sheathSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  members: z.array(memberSchema).min(2).max(16),
  note: noteSchema.optional(),
});
export type Sheath = z.infer<typeof sheathSchema>;
