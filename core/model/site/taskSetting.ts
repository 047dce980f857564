import { z } from 'zod';
import { dateSchema } from './cutoverSettings';
import { idSchema, noteSchema } from './vocabulary';

const minutesSchema = z.number().min(1).max(6000);

/** What somebody says of one task of the change, by the id of the task. */
export const taskSettingSchema = z.strictObject({
  id: idSchema,
  /** The night that it is done in, by the date that the night begins on: promised, or wished for a reason. */
  date: dateSchema.optional(),
  /** It is not done in these nights, and why. */
  excluded: noteSchema.optional(),
  /** How long it takes here: at best, most likely, at worst. */
  minutes: z.strictObject({ low: minutesSchema, likely: minutesSchema, high: minutesSchema }).optional(),
  /** So much of it is done before, in a task of its own that leaves nothing dark. */
  prepareMinutes: z.int().min(5).max(600).optional(),
  people: z.int().min(1).max(6).optional(),
  /** Whom it is given to; nobody else does it. */
  crewIds: z.array(idSchema).min(1).max(6).optional(),
});
export type TaskSetting = z.infer<typeof taskSettingSchema>;
