import { z } from 'zod';
import { dataSheetSchema, powerCableIds, signalCableIds } from '#core/physics/cable';
import { inLineGearSchema } from './inLineGear';
import {
  currentSchema,
  environmentSchema,
  idSchema,
  instantSchema,
  nameSchema,
  noteSchema,
  temperatureSchema,
  voltsSchema,
} from './vocabulary';

/** Longest segment that is still believable; longer is a slip of the finger. */
export const longestSegmentM = 5000;
const lengthSchema = z.number().positive().max(longestSegmentM);
const coresSchema = z.int().min(1).max(16);

const markSchema = z.number().min(0).max(9_999_999);

export const joints = [
  'crimp',
  'compression',
  'twist-on',
  'soldered',
  'screw-terminal',
  'coupler',
  'splitter',
  'surge-arrester',
] as const;
export type Joint = (typeof joints)[number];

/** What in a segment can carry power to the camera beside the picture. */
export const legSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('none') }),
  /** Power cores in the same jacket or tied to it. */
  z.strictObject({
    kind: z.literal('cores'),
    cable: z.enum(powerCableIds),
    outCores: coresSchema,
    backCores: coresSchema,
  }),
  /** Conductors of the category cable that the picture does not use. */
  z.strictObject({ kind: z.literal('spare-pairs'), outCores: coresSchema, backCores: coresSchema }),
]);
export type Leg = z.infer<typeof legSchema>;

export const assumableOfSegment = ['lengthM', 'leg', 'joint'] as const;
export type AssumableOfSegment = (typeof assumableOfSegment)[number];

export const lengthSources = ['jacket-marks', 'reflectometer', 'drawn', 'estimate'] as const;

/** A stretch of one construction in one environment, listed from the head end outwards. */
export const segmentSchema = z.strictObject({
  cable: z.enum(signalCableIds),
  /** A cable of the site's own by its data sheet: it goes before the row of the tables that it is nearest to. */
  sheet: dataSheetSchema.optional(),
  lengthM: lengthSchema,
  lengthFrom: z.enum(lengthSources),
  /** How far the length may be off either way, one standard deviation. */
  spreadM: z.number().min(0).max(500),
  environment: environmentSchema,
  temperatureC: temperatureSchema,
  leg: legSchema,
  /** The text on the jacket, as it was read. */
  print: z.string().max(200).optional(),
  /** The reel it was cut from, and who put it in: what is off about one is off about its like. */
  reel: z.string().max(60).optional(),
  installedBy: z.string().max(80).optional(),
  /** Sequential length marks at the end towards the head end and at the far end. */
  marks: z.strictObject({ head: markSchema, far: markSchema, unit: z.enum(['m', 'ft']) }).optional(),
  /** What a reflectometer made of it. */
  measured: z.strictObject({ lengthM: lengthSchema, spreadM: z.number().min(0).max(500) }).optional(),
  /** Of this very cable, fitted from a known length; left out where its construction's usual one will do. */
  velocityFactor: z.number().min(0.4).max(0.99).optional(),
  /** The drawn routes it follows, from the head end outwards. */
  routeIds: z.array(idSchema).min(1).max(12).optional(),
  /** What joins this segment to the next; the last one has none. */
  joint: z.enum(joints).optional(),
  /** What nobody has looked at yet: usual facts stand in until somebody does. */
  assumed: z.array(z.enum(assumableOfSegment)).max(assumableOfSegment.length).optional(),
  note: noteSchema.optional(),
});
export type Segment = z.infer<typeof segmentSchema>;

/** Power cores of one kind from one end to the other. */
const coresFields = {
  cable: z.enum(powerCableIds),
  outCores: coresSchema,
  backCores: coresSchema,
  lengthM: lengthSchema,
  temperatureC: temperatureSchema,
};
export const powerLeadSchema = z.strictObject(coresFields);
export type PowerLead = z.infer<typeof powerLeadSchema>;

/** Where the camera's power comes from. */
export const feedSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('along-run'), supplyId: idSchema, output: z.int().min(1) }),
  z.strictObject({
    kind: z.literal('separate-pair'),
    supplyId: idSchema,
    output: z.int().min(1),
    ...coresFields,
  }),
  z.strictObject({
    kind: z.literal('local-adapter'),
    current: currentSchema,
    volts: voltsSchema,
    ratedAmps: z.number().positive().max(100),
  }),
]);
export type PowerFeed = z.infer<typeof feedSchema>;

/** Whether a new cable could be brought to the camera, and from where. */
export const newRouteSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('open'), fromPlaceId: idSchema, lengthM: lengthSchema }),
  z.strictObject({ kind: z.literal('closed'), why: z.string().trim().min(1).max(200) }),
]);

/** How the run is just now: what may be on it, and whether its ends are free. */
export const runStates = ['live', 'isolated', 'disconnected'] as const;

/** One camera's line from the head end: cable, power and where it is patched today. */
export const runSchema = z.strictObject({
  id: idSchema,
  cameraId: idSchema,
  headEndId: idSchema,
  state: z.enum(runStates),
  /** When it was marked so. What was read before tells nothing of whether it is safe now. */
  stateSince: instantSchema.optional(),
  patchedTo: z.strictObject({ recorderId: idSchema, input: z.int().min(1).max(64) }).optional(),
  feed: feedSchema,
  segments: z.array(segmentSchema).min(1).max(50),
  /** What stands in the coax beside its joints; left out where there is nothing, or nobody has looked. */
  inLine: z.array(inLineGearSchema).max(12).optional(),
  newRoute: newRouteSchema.optional(),
  /** Somebody came to note it and could not get there. */
  unreached: z
    .strictObject({ why: z.string().trim().min(1).max(200), at: instantSchema, by: nameSchema })
    .optional(),
  note: noteSchema.optional(),
});
export type Run = z.infer<typeof runSchema>;
export type RunState = (typeof runStates)[number];
