import { z } from 'zod';
import { idSchema, instantSchema, nameSchema, temperatureSchema } from './vocabulary';

export const testIds = [
  'foreign-ac-volts', 'foreign-dc-volts', 'shield-earth-volts', 'coax-loop-ohms', 'power-loop-ohms', 'insulation-megohms', 'day-volts', 'night-volts',
] as const;
export type TestId = (typeof testIds)[number];

/** A reading as taken. It is never altered or removed; a wrong one is struck out and stays readable. */
export const readingSchema = z.strictObject({
  id: idSchema,
  runId: idSchema,
  test: z.enum(testIds),
  /** In the test's own unit: volts, ohms or megohms. */
  value: z.number().min(0).max(100_000),
  at: instantSchema,
  by: nameSchema,
  instrument: z.string().max(80),
  /** Of the cable while reading, where it was noted. */
  temperatureC: temperatureSchema.optional(),
  struck: z.strictObject({ why: z.string().trim().min(1).max(200), at: instantSchema, by: nameSchema }).optional(),
});
export type Reading = z.infer<typeof readingSchema>;
