import { z } from 'zod';
import { symptoms } from '#core/physics/picture';
import { quantityTestIds, type TestId } from './tests';
import { idSchema, instantSchema, nameSchema, temperatureSchema } from './vocabulary';

/** Tests of the camera itself, away from what is suspected of it. */
const swapTestIds = ['camera-at-head-end', 'camera-on-local-supply'] as const satisfies readonly TestId[];
export type SwapTestId = (typeof swapTestIds)[number];

const taken = {
  id: idSchema,
  runId: idSchema,
  at: instantSchema,
  by: nameSchema,
  instrument: z.string().max(80),
  serial: z.string().max(40).optional(),
  /** Weather, tide, what else was on: whatever could have moved the reading. */
  conditions: z.string().max(200).optional(),
  /** Of the cable while reading, where it was noted. */
  temperatureC: temperatureSchema.optional(),
  struck: z
    .strictObject({ why: z.string().trim().min(1).max(200), at: instantSchema, by: nameSchema })
    .optional(),
};

/** Longest trace that is kept; an instrument that gives more is thinned out by whoever asks it. */
export const mostSamples = 16_384;
const mostCounts = 32_767;

/** What a reflectometer saw: readings at even steps, as whole counts of so many volts. */
export const tracedSchema = z.strictObject({
  stepNs: z.number().positive().max(1000),
  voltsPerCount: z.number().positive().max(1),
  counts: z.array(z.int().min(-mostCounts).max(mostCounts)).min(16).max(mostSamples),
});
export type Traced = z.infer<typeof tracedSchema>;

/** Larger is no reading of these instruments. */
export const mostReading = 100_000;

const quantityReadingSchema = z.strictObject({
  ...taken,
  test: z.enum(quantityTestIds),
  /** Of volts: the meter showed a known source right before and right after. */
  meterProved: z.boolean().optional(),
  /** In the test's own unit: volts, ohms or megohms. */
  value: z.number().min(0).max(mostReading),
});
const continuityReadingSchema = z.strictObject({
  ...taken,
  test: z.literal('continuity'),
  found: z.enum(['through', 'open', 'shorted']),
});
/** What a tester makes of the conductors of a category cable. */
export const wireMaps = ['straight', 'open', 'short', 'crossed', 'reversed', 'split'] as const;
export type WireMap = (typeof wireMaps)[number];

const wireMapReadingSchema = z.strictObject({
  ...taken,
  test: z.literal('wire-map'),
  found: z.enum(wireMaps),
});
const swapReadingSchema = z.strictObject({
  ...taken,
  test: z.enum(swapTestIds),
  found: z.enum(['works', 'fails']),
});
const traceReadingSchema = z.strictObject({
  ...taken,
  test: z.literal('reflectometer'),
  trace: tracedSchema,
});
const pictureReadingSchema = z.strictObject({
  ...taken,
  test: z.literal('picture'),
  symptoms: z.array(z.enum(symptoms)).max(symptoms.length),
  /** How far to the right the ghost stands, in microseconds of the line. */
  ghostUs: z.number().positive().max(60).optional(),
});
const linkReadingSchema = z.strictObject({
  ...taken,
  test: z.literal('link'),
  rateMbps: z.number().min(0).max(10_000),
  throughputMbps: z.number().min(0).max(10_000),
  lostPercent: z.number().min(0).max(100),
  deliveredWatts: z.number().min(0).max(100).optional(),
});

/** A reading as taken. It is never altered or removed; a wrong one is struck out and stays readable. */
export const readingSchema = z.discriminatedUnion('test', [
  quantityReadingSchema,
  continuityReadingSchema,
  wireMapReadingSchema,
  swapReadingSchema,
  traceReadingSchema,
  pictureReadingSchema,
  linkReadingSchema,
]);
export type Reading = z.infer<typeof readingSchema>;
export type QuantityReading = z.infer<typeof quantityReadingSchema>;
export type ContinuityReading = z.infer<typeof continuityReadingSchema>;
export type WireMapReading = z.infer<typeof wireMapReadingSchema>;
export type SwapReading = z.infer<typeof swapReadingSchema>;
export type TraceReading = z.infer<typeof traceReadingSchema>;
export type PictureReading = z.infer<typeof pictureReadingSchema>;
export type LinkReading = z.infer<typeof linkReadingSchema>;

type Without<T, K extends string> = T extends unknown ? Omit<T, K> : never;
/** What a test found, without when, where and by whom. */
export type Found = Without<Reading, keyof typeof taken>;
