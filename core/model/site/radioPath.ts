import { z } from 'zod';
import { sights } from '#core/physics/wireless';
import { idSchema, instantSchema, nameSchema, noteSchema } from './vocabulary';

/** What was found where a radio could bridge the way to a head end: the way itself, and who is on the air there. */
export const radioPathSchema = z.strictObject({
  id: idSchema,
  /** Where the cameras are, and where the other end would hang. */
  fromPlaceId: idSchema,
  toPlaceId: idSchema,
  distanceM: z.number().positive().max(20_000),
  sight: z.enum(sights),
  /** Room above the highest thing in the way, at that thing. */
  clearanceM: z.number().min(-50).max(200).optional(),
  /** Other access points that were heard, by channel and level. */
  heard: z
    .array(z.strictObject({ channel: z.int().min(1).max(196), levelDbm: z.number().min(-120).max(0) }))
    .max(200),
  at: instantSchema,
  by: nameSchema,
  note: noteSchema.optional(),
});
export type RadioPath = z.infer<typeof radioPathSchema>;
