import { z } from 'zod';
import {
  coaxCableIds,
  coaxLoopOhms,
  conductorOhms,
  gaugeSchema,
  loopOhms,
  materialSchema,
  pathLossDb,
  readJacketPrint,
  signalCable,
  signalCableIds,
} from '#core/physics/cable';
import { dcFeed } from '#core/physics/power';
import { findEvents, traceFromCsv } from '#core/physics/reflectometer';
import {
  linkConverter,
  linkConverterIds,
  linkRateMbps,
  pictureFormat,
  pictureFormatIds,
  pictureMargin,
} from '#core/physics/signal';

/** A calculation by name: what it takes, as a schema, and what it gives. */
export interface Calculation<I = unknown> {
  about: string;
  input: z.ZodType<I>;
  run: (input: I) => Record<string, unknown>;
}

const lengthM = z.number().min(0).max(100_000);
const temperatureC = z.number().min(-100).max(250);
const countSchema = z.int().min(1).max(1000);
const byAwg = z.strictObject({ awg: z.int().min(-3).max(46), material: materialSchema, count: countSchema });
const byArea = z.strictObject({
  areaMm2: z.number().positive().max(1000),
  material: materialSchema,
  count: countSchema,
});
const coresSchema = z.union([byAwg, byArea]);
const segments = z.array(z.strictObject({ cable: z.enum(signalCableIds), lengthM })).min(1);
const extraLossDb = z.number().min(0).max(200).optional();
const volts = z.number().positive().max(10_000);

/** Either this gauge or that area, spread into an object of other fields. */
const conductorInput = z.union([
  z.strictObject({ awg: z.int().min(-3).max(46), material: materialSchema, temperatureC, lengthM }),
  z.strictObject({
    areaMm2: z.number().positive().max(1000),
    material: materialSchema,
    temperatureC,
    lengthM,
  }),
]);

const feedFields = {
  sourceVolts: volts,
  loopOhms: z.number().min(0).max(1e6),
  minLoadVolts: z.number().min(0).max(10_000),
  sourceLimitWatts: z.number().positive().max(1e6).optional(),
};
const feedInput = z.union([
  z.strictObject({ ...feedFields, loadWatts: z.number().min(0).max(1e6) }),
  z.strictObject({ ...feedFields, loadAmps: z.number().min(0).max(1e5) }),
]);

/** A trace as CSV; what is wrong with it is said at its line. */
const traceText = z.string().superRefine((csv, context) => {
  const trace = traceFromCsv(csv);
  if (trace.kind === 'refused')
    for (const { path, value, allowed } of trace.problems)
      context.addIssue({ code: 'custom', message: `${allowed} (${path}: ${value.slice(0, 60)})` });
});

const define = <I>(about: string, input: z.ZodType<I>, run: (input: I) => object): Calculation => ({
  about,
  input,
  run: (value) => ({ ...run(value as I) }),
});

export const calculations: Record<string, Calculation> = {
  'conductor-resistance': define(
    'Resistance of one conductor from end to end.',
    conductorInput,
    ({ temperatureC: at, lengthM: length, ...conductor }) => ({
      ohms: conductorOhms(gaugeSchema.parse(conductor), length, at),
    }),
  ),
  'loop-resistance': define(
    'Resistance out and back through cores in parallel.',
    z.strictObject({ lengthM, temperatureC, out: coresSchema, back: coresSchema }),
    (input) => ({
      loopOhms: loopOhms(input.out, input.back, input.lengthM, input.temperatureC),
    }),
  ),
  'coax-loop-resistance': define(
    'Resistance of a coax, centre out and shield back.',
    z.strictObject({ cable: z.enum(coaxCableIds), lengthM, temperatureC }),
    (input) => {
      const cable = signalCable(input.cable);
      if (cable.kind !== 'coax') throw new Error(`${cable.id} is not coax`);
      return { loopOhms: coaxLoopOhms(cable, input.lengthM, input.temperatureC) };
    },
  ),
  'dc-feed': define('Volts, amps and the most watts that arrive through a loop.', feedInput, (input) => {
    const load =
      'loadWatts' in input
        ? { kind: 'watts' as const, watts: input.loadWatts }
        : { kind: 'amps' as const, amps: input.loadAmps };
    return dcFeed({ ...input, load });
  }),
  'path-loss': define(
    'Attenuation of cables in series at one frequency.',
    z.strictObject({ segments, frequencyMHz: z.number().positive().max(10_000) }),
    (input) => ({
      lossDb: pathLossDb(input.segments, input.frequencyMHz),
    }),
  ),
  'picture-margin': define(
    'Loss at a picture format’s top frequency, and whether it holds.',
    z.strictObject({ segments, format: z.enum(pictureFormatIds), extraLossDb }),
    (input) => pictureMargin(input.segments, pictureFormat(input.format), input.extraLossDb),
  ),
  'jacket-print': define(
    'What the text on a jacket tells of the cable; what was not understood is handed back.',
    z.strictObject({ print: z.string().max(2000) }),
    (input) => readJacketPrint(input.print),
  ),
  reflectometer: define(
    'What stands on a line by its echoes, in order of distance.',
    z.strictObject({
      csv: traceText,
      velocityFactor: z.number().gt(0).lt(1),
      impedanceOhms: z.number().positive().max(1000),
      lossDbPer100m: z.number().min(0).max(200).optional(),
    }),
    ({ csv, ...known }) => {
      const trace = traceFromCsv(csv);
      return {
        events:
          trace.kind === 'sound'
            ? findEvents(trace.value, known).map(({ branch: _, ...event }) => event)
            : [],
      };
    },
  ),
  'link-rate': define(
    'Rate of an Ethernet-over-coax link by bit loading.',
    z.strictObject({ converter: z.enum(linkConverterIds), segments, extraLossDb }),
    (input) => ({
      mbps: linkRateMbps(linkConverter(input.converter), input.segments, input.extraLossDb),
    }),
  ),
};
