import { z } from 'zod';
import { idSchema, nameSchema } from './vocabulary';

/** What a customer demands of views while the site is changed: of some at most so many may be dark at once. */
export const viewRuleSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  cameraIds: z.array(idSchema).min(1).max(64),
  /** How many of them may be dark at once. */
  mostDark: z.int().min(1).max(63),
  /** The minutes in which a recorder restarts do not count: they are agreed with whoever watches. */
  exceptRestarts: z.literal(true).optional(),
  /** A camera that keeps watch over what they see: it is changed and proven before the first of them, and never dark with one of them. */
  coverId: idSchema.optional(),
  /** So many times the minutes of another view a minute of theirs counts in the dark; left out, once. */
  weight: z.int().min(2).max(20).optional(),
});
export type ViewRule = z.infer<typeof viewRuleSchema>;
