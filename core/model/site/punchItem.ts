import { z } from 'zod';
import { acceptanceCheckIds } from './acceptanceChecks';
import { acceptedThingSchema } from './acceptanceReading';
import { dateSchema } from './cutoverSettings';
import { idSchema, instantSchema, nameSchema } from './vocabulary';

/** How bad it is, the worst first. What is unsafe is accepted by nobody. */
export const punchSeverities = ['unsafe', 'view-lost', 'below-need', 'cosmetic'] as const;
export type PunchSeverity = (typeof punchSeverities)[number];

/** Something that is not as it has to be, and who mends it by when. */
export const punchItemSchema = z.strictObject({
  id: idSchema,
  of: acceptedThingSchema,
  severity: z.enum(punchSeverities),
  what: z.string().trim().min(1).max(300),
  /** Who mends it, and by when; left out while nobody has said. */
  owner: nameSchema.optional(),
  due: dateSchema.optional(),
  photoId: idSchema.optional(),
  /** The check that found it, which is made again before it is closed. */
  check: z.enum(acceptanceCheckIds).optional(),
  at: instantSchema,
  by: nameSchema,
  closed: z
    .strictObject({ how: z.string().trim().min(1).max(300), at: instantSchema, by: nameSchema })
    .optional(),
});
export type PunchItem = z.infer<typeof punchItemSchema>;
