import { z } from 'zod';
import { instantSchema } from '#core/model/site';

/** Most samples that a switch tells of a port: a month of ten minutes each. */
const mostSamples = 4500;

/** What a port counted, sample after sample: packets since the one before, and whether its link was up throughout. */
export const portCountersSchema = z.strictObject({
  samples: z
    .array(
      z.strictObject({
        at: instantSchema,
        sent: z.int().min(0),
        lost: z.int().min(0),
        isUp: z.boolean(),
      }),
    )
    .max(mostSamples),
});
export type PortCounters = z.infer<typeof portCountersSchema>;
