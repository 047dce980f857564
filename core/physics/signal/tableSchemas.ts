import { z } from 'zod';

const formatSchema = z.strictObject({
  id: z.string(),
  label: z.string(),
  topMHz: z.number().positive(),
  cleanDb: z.number().positive(),
  limitDb: z.number().positive(),
  family: z.enum(['composite', 'analog-hd', 'sdi']),
});
export type PictureFormat = z.infer<typeof formatSchema>;

const converterSchema = z.strictObject({
  id: z.string(),
  label: z.string(),
  lowMHz: z.number().positive(),
  highMHz: z.number().positive(),
  carrierKHz: z.number().positive(),
  txDbmHz: z.number(),
  noiseDbmHz: z.number(),
  gapDb: z.number(),
  maxBits: z.int().min(1).max(16),
  efficiency: z.number().gt(0).max(1),
  portCapMbps: z.number().positive(),
  passesPoe: z.boolean(),
  ownWatts: z.number().nonnegative(),
  minInputVolts: z.number().positive(),
});
export type LinkConverter = z.infer<typeof converterSchema>;

/** What the shipped tables have to be. A test holds them to it, so that nobody has to look through them at every start. */
export const tablesSchema = z.object({
  formats: z.array(formatSchema),
  linkConverters: z.array(converterSchema),
});
export type Tables = z.infer<typeof tablesSchema>;
