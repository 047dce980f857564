import { z } from 'zod';
import { dateSchema } from './cutoverSettings';
import { idSchema } from './vocabulary';

/** Most that is done in one night. */
export const mostNightJobs = 30;

/**
 * A night of the change as it was agreed: what is done in it, in which order and by whom. When each begins, how sure it is and what it
 * leaves in the morning follow from it.
 */
export const plannedNightSchema = z.strictObject({
  /** Its date, so that a date has one night. */
  id: idSchema,
  /** The date that it begins on. */
  date: dateSchema,
  jobs: z
    .array(z.strictObject({ taskId: idSchema, crewIds: z.array(idSchema).min(1).max(6) }))
    .min(1)
    .max(mostNightJobs),
});
export type PlannedNightFact = z.infer<typeof plannedNightSchema>;
