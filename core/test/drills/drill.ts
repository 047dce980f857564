import { z } from 'zod';
import { signalCableIds } from '#core/physics/cable';
import { symptoms } from '#core/physics/picture';
import { idSchema, nameSchema, testIds, troubles, wireMaps, environments } from '#core/model/site';
import { trueRunSchema } from '#core/test/instrument';

export const drillFormat = 'neotrope-drill';
export const drillLevels = [1, 2, 3, 4, 5] as const;
export type DrillLevel = (typeof drillLevels)[number];

/** How a camera of a drill is reached. */
export const drillWays = ['ground', 'ladder', 'lift'] as const;

/**
 * A drill: what somebody is called to, what is noted of the run, what is at hand, and how it really is. The truth is for whoever
 * answers the tests; the learner sees the rest.
 */
export const drillSchema = z.strictObject({
  format: z.literal(drillFormat),
  version: z.literal(1),
  id: idSchema,
  title: nameSchema,
  level: z.union(drillLevels.map((level) => z.literal(level))),
  /** What whoever called said. */
  call: z.string().trim().min(10).max(600),
  /** A shift’s minutes. */
  minutes: z.int().min(15).max(480),
  toolbox: z.array(z.enum(testIds)).min(1).max(30),
  place: z.strictObject({ name: nameSchema, environment: z.enum(environments), by: z.enum(drillWays) }),
  /** What is noted of the line. */
  line: z.strictObject({
    cable: z.enum(signalCableIds),
    lengthM: z.number().min(5).max(800),
    spreadM: z.number().min(0.5).max(100),
  }),
  power: z.enum(['along-run', 'local-adapter']),
  truth: z.strictObject({
    troubles: z.array(z.enum(troubles)).max(2),
    /** Where it is, from the head end; left out where it is nowhere along the line. */
    atM: z.number().min(0).max(800).optional(),
    /** What a tester meets on the line. */
    line: trueRunSchema,
    /** Of the supply with lamps on, where that is less. */
    nightSupplyVolts: z.number().positive().max(60).optional(),
    sees: z.array(z.enum(symptoms)).max(symptoms.length),
    wireMap: z.enum(wireMaps).optional(),
  }),
  /** One sentence to remember. */
  lesson: z.string().trim().min(5).max(300),
});
export type Drill = z.infer<typeof drillSchema>;
