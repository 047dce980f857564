import { z } from 'zod';
import { channelWidthsMHz, radioRegionIds, sights } from '#core/physics/wireless';
import { idSchema, instantSchema, nameSchema, noteSchema } from './vocabulary';

const heardSchema = z
  .array(
    z.strictObject({
      channel: z.int().min(1).max(196),
      levelDbm: z.number().min(-120).max(0),
      widthMHz: z.literal(channelWidthsMHz).optional(),
    }),
  )
  .max(200);

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
  /** Whose rules for radio hold there; left out while nobody has said. */
  region: z.enum(radioRegionIds).optional(),
  /** Other access points that were heard where the cameras are, by channel and level. */
  heard: heardSchema,
  /** And at the other end; left out where nobody has listened there. */
  heardFar: heardSchema.optional(),
  at: instantSchema,
  by: nameSchema,
  note: noteSchema.optional(),
});
export type RadioPath = z.infer<typeof radioPathSchema>;
