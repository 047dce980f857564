import { z } from 'zod';
import { optionKinds } from './optionKinds';
import { idSchema, instantSchema, nameSchema, noteSchema } from './vocabulary';

/** What was chosen for a camera. Its id is the camera's. */
export const choiceSchema = z.strictObject({
  id: idSchema,
  option: z.enum(optionKinds),
  at: instantSchema,
  by: nameSchema,
  /** Whatever else is planned, this stays. */
  locked: z.boolean().optional(),
  /** The plan that was adopted with it; left out where a person picked it. */
  planId: idSchema.optional(),
  /** Readings of the run that there were when it was chosen. */
  readingIds: z.array(idSchema).max(2000).optional(),
  note: noteSchema.optional(),
});
export type Choice = z.infer<typeof choiceSchema>;

/** The recorder slot a camera will be on. Its id is the camera's. */
export const placementSchema = z.strictObject({
  id: idSchema,
  recorderId: idSchema,
  slot: z.int().min(1).max(128),
});
export type Placement = z.infer<typeof placementSchema>;
