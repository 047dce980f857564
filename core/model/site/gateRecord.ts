import { z } from 'zod';
import { dateSchema } from './cutoverSettings';
import { idSchema, instantSchema, nameSchema, noteSchema } from './vocabulary';

/** Moments at which somebody says whether a night goes on: two days before, at its start, at dawn. */
export const gates = ['before', 'start', 'dawn'] as const;
export type GateName = (typeof gates)[number];

/** What was found at a gate of a night, and who said go there, or did not. */
export const gateRecordSchema = z.strictObject({
  /** Its night’s date and its name, so that a gate of a night is answered once. */
  id: idSchema,
  night: dateSchema,
  gate: z.enum(gates),
  /** Names of the checks that were found to be so. */
  checked: z.array(idSchema).max(20),
  said: z
    .strictObject({
      go: z.boolean(),
      /** Why it was said although something was not so, or why not. */
      why: noteSchema.optional(),
      at: instantSchema,
      by: nameSchema,
    })
    .optional(),
});
export type GateRecord = z.infer<typeof gateRecordSchema>;

/** The id of a gate of a night. */
export const gateIdOf = (night: string, gate: GateName): string => `${night}-${gate}`;
