import { z } from 'zod';
import { currentSchema, idSchema, nameSchema, noteSchema, voltsSchema } from './vocabulary';

/** Where a thing is mounted and what it hangs on: a rack with its units, a mains circuit or a UPS, and the watts it takes from there. */
export const hookUpSchema = z.strictObject({
  rackId: idSchema.optional(),
  rackUnits: z.int().min(0).max(60).optional(),
  /** A mains circuit, or a UPS that hangs on one. */
  fedById: idSchema.optional(),
  mainsWatts: z.number().min(0).max(20_000).optional(),
});
export type HookUp = z.infer<typeof hookUpSchema>;

/** What stands at a head end or in a closet beside recorders and supply boxes. */
export const gearSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('switch'),
    ports: z.int().min(1).max(256),
    poePorts: z.int().min(0).max(256),
    poeWatts: z.number().min(0).max(5000),
    /** What one port gives at most; left out, the 30 W of class 4. */
    portWatts: z.number().positive().max(100).optional(),
    uplinkMbps: z.number().positive().max(100_000),
  }),
  z.strictObject({ kind: z.literal('router') }),
  z.strictObject({ kind: z.literal('monitor'), input: z.enum(['composite', 'vga', 'hdmi']) }),
  z.strictObject({
    kind: z.literal('adapter'),
    current: currentSchema,
    volts: voltsSchema,
    ratedAmps: z.number().positive().max(100),
  }),
  z.strictObject({
    kind: z.literal('ups'),
    usableWh: z.number().positive().max(1e6),
    efficiencyPercent: z.number().min(30).max(100),
    ratedWatts: z.number().positive().max(100_000),
    /** Its volt-amperes, where they are noted: gear without correction reaches them before the watts. */
    ratedVa: z.number().positive().max(150_000).optional(),
  }),
  z.strictObject({ kind: z.literal('rack'), units: z.int().min(1).max(60) }),
  z.strictObject({
    kind: z.literal('circuit'),
    volts: z.number().min(90).max(420),
    breakerAmps: z.number().positive().max(125),
  }),
]);
export type Gear = z.infer<typeof gearSchema>;
export type GearKind = Gear['kind'];
export const gearKinds: readonly GearKind[] = [
  'switch',
  'router',
  'monitor',
  'adapter',
  'ups',
  'rack',
  'circuit',
];

export const equipmentSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  placeId: idSchema,
  gear: gearSchema,
  /** On the camera network: a switch, a converter or a router that answers there. */
  address: z.ipv4().optional(),
  hookUp: hookUpSchema.optional(),
  note: noteSchema.optional(),
});
export type Equipment = z.infer<typeof equipmentSchema>;
