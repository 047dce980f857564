import { z } from 'zod';
import { acceptanceCheckIds, acceptedKinds } from './acceptanceChecks';
import { idSchema, instantSchema, nameSchema } from './vocabulary';

/** What is accepted: a thing of the site. */
export const acceptedThingSchema = z.strictObject({ kind: z.enum(acceptedKinds), id: idSchema });
export type AcceptedThing = z.infer<typeof acceptedThingSchema>;

/** When it was read: for the sign-off, or at a yearly check after it. */
export const occasions = ['sign-off', 'yearly'] as const;
export type Occasion = (typeof occasions)[number];

/** Longest soak that is believed: thirty days. */
export const longestSoakHours = 720;

/** What a link did over hours under watch. */
export const soakSchema = z.strictObject({
  kind: z.literal('soak'),
  hours: z.number().positive().max(longestSoakHours),
  lostPercent: z.number().min(0).max(100),
  /** How often the link went away. */
  drops: z.int().min(0).max(100_000),
  /** Minutes of it in which nobody counted. */
  gapMinutes: z
    .number()
    .min(0)
    .max(longestSoakHours * 60),
  /** When most of it was lost, as an hour of the day. */
  worstHour: z.int().min(0).max(23).optional(),
});
export type Soak = z.infer<typeof soakSchema>;

const foundSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('figure'), value: z.number().min(-1000).max(100_000) }),
  z.strictObject({ kind: z.literal('seen'), isSo: z.boolean() }),
  z.strictObject({ kind: z.literal('words'), words: z.string().trim().min(1).max(200) }),
  soakSchema,
]);
export type AcceptanceFound = z.infer<typeof foundSchema>;

/** What was read of a thing before it was accepted. Like every reading it is never altered: a later one goes before it, a wrong one is struck out. */
export const acceptanceReadingSchema = z.strictObject({
  id: idSchema,
  of: acceptedThingSchema,
  check: z.enum(acceptanceCheckIds),
  occasion: z.enum(occasions),
  found: foundSchema,
  at: instantSchema,
  by: nameSchema,
  instrument: z.string().max(80),
  serial: z.string().max(40).optional(),
  conditions: z.string().max(200).optional(),
  photoId: idSchema.optional(),
  struck: z
    .strictObject({ why: z.string().trim().min(1).max(200), at: instantSchema, by: nameSchema })
    .optional(),
});
export type AcceptanceReading = z.infer<typeof acceptanceReadingSchema>;
