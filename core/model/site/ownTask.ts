import { z } from 'zod';
import { skillSchema } from './crew';
import { idSchema, nameSchema, noteSchema } from './vocabulary';

/** When something that a person has added is done: before the nights, in one of them, or after. */
export const ownTaskTimes = ['before', 'night', 'after'] as const;

/** Something that is done for the change and that does not follow from what was decided. */
export const ownTaskSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  when: z.enum(ownTaskTimes),
  placeId: idSchema,
  minutes: z.number().min(1).max(6000),
  people: z.int().min(1).max(6),
  skills: z.array(skillSchema).max(4),
  /** Views that it leaves dark, and for how long. */
  dark: z
    .strictObject({ cameraIds: z.array(idSchema).min(1).max(64), minutes: z.number().min(1).max(1440) })
    .optional(),
  /** Tasks that are done before it, by their ids. */
  needs: z.array(idSchema).max(20).optional(),
  note: noteSchema.optional(),
});
export type OwnTask = z.infer<typeof ownTaskSchema>;
