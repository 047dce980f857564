import { z } from 'zod';
import { idSchema, instantSchema, nameSchema } from './vocabulary';

/** Everything that can be wrong with a camera's line, each by itself or together with others. */
export const troubles = [
  'supply',
  'power-drop',
  'power-construction',
  'power-joint',
  'joint',
  'coax-construction',
  'open',
  'short',
  'coax-loss',
  'echo',
  'tap',
  'water',
  'earth-difference',
  'format',
  'line-standard',
  'camera',
  'input',
  'split-pair',
  'pair-wiring',
  'pair-unbalance',
  'unlisted',
] as const;
export type Trouble = (typeof troubles)[number];

/** More troubles than these nobody finds on one run. */
export const mostTroublesFound = 5;

/** What somebody who opened it up found a run to have, and what he did about it. */
export const mendingSchema = z.strictObject({
  id: idSchema,
  runId: idSchema,
  at: instantSchema,
  by: nameSchema,
  /** What it was; empty where nothing was wrong. */
  found: z
    .array(z.enum(troubles))
    .max(mostTroublesFound)
    .refine((found) => new Set(found).size === found.length, 'each trouble once'),
  did: z.string().trim().max(200),
  /** The line is another since: what was read of it before no longer counts. */
  changedLine: z.boolean(),
});
export type Mending = z.infer<typeof mendingSchema>;
