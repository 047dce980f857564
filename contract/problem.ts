import { z } from 'zod';
import { trustedEntry } from './trusted';

const problemSchema = z.object({ path: z.string(), value: z.string(), allowed: z.string() });

/** An answer other than success, as problem details (RFC 9457). */
export const problemDetailsSchema = z.object({
  type: z.literal('about:blank').default('about:blank'),
  title: z.string(),
  status: z.int(),
  /** What happened and what to do, as a person reads it. */
  detail: z.string(),
  problems: z.array(problemSchema).optional(),
  /** How many problems there are in all, where not all of them are listed. */
  problemCount: z.int().optional(),
  /** What went wrong with a device, by its kind. */
  kind: z.string().optional(),
  /** The host that a person would have to allow first, where one was not reached for that. */
  host: z.string().optional(),
  /** The version that a site is at, where an edit was made on an older one, and what happened since. */
  version: z.int().optional(),
  since: z.array(trustedEntry).optional(),
});
export type ProblemDetails = z.input<typeof problemDetailsSchema>;
