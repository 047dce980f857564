import { z } from 'zod';

export const goals = ['mend', 'view', 'ip'] as const;
export const figureStances = ['as-known', 'pessimistic', 'measured-only'] as const;

/** Where practice differs: which way the plan follows. */
export const policiesSchema = z.strictObject({
  route: z.enum(['reuse', 'recable', 'cheapest']),
  blocks: z.enum(['mix', 'separate']),
  power: z.enum(['central', 'local']),
  joints: z.enum(['crimp', 'twist-on']),
  format: z.enum(['lower', 'replace']),
  order: z.enum(['cost', 'dark']),
  listed: z.enum(['no-cable', 'nothing-new']),
  oldCable: z.enum(['leave', 'remove']),
});
export type Policies = z.infer<typeof policiesSchema>;
export type PolicyId = keyof Policies;

const capSchema = z.number().min(0).max(10_000_000);

/** What a plan has to heed. There is one record of it, with the id `demands`. */
export const demandsSchema = z.strictObject({
  id: z.literal('demands'),
  /** Mend what does not hold, give each view what it needs, or bring every camera to IP that can be. */
  goal: z.enum(goals),
  /** How figures that nobody measured are taken. */
  figures: z.enum(figureStances),
  policies: policiesSchema,
  /** Years over which the cheapest is sought. */
  years: z.int().min(1).max(30),
  /** Most that it may come to, each where somebody has set one. */
  caps: z.strictObject({
    cost: capSchema.optional(),
    darkHours: capSchema.optional(),
    hours: capSchema.optional(),
  }),
  /** Share of every limit that has to be left over. */
  sparePercent: z.number().min(0).max(80),
  /** Slots to be left free on the recorders together. */
  spareSlots: z.int().min(0).max(128),
});
export type Demands = z.infer<typeof demandsSchema>;

/** What is demanded until somebody says otherwise. */
export const usualDemands: Demands = {
  id: 'demands',
  goal: 'ip',
  figures: 'as-known',
  years: 10,
  caps: {},
  sparePercent: 0,
  spareSlots: 0,
  policies: {
    route: 'cheapest',
    blocks: 'mix',
    power: 'central',
    joints: 'crimp',
    format: 'lower',
    order: 'cost',
    listed: 'no-cable',
    oldCable: 'leave',
  },
};

/** What is demanded on a site. */
export const demandsOf = ({ demands }: { demands: Readonly<Record<string, Demands>> }): Demands =>
  demands['demands'] ?? usualDemands;
