import { z } from 'zod';
import { linkMedia } from './link';
import { currentSchema, idSchema, nameSchema, noteSchema, voltsSchema } from './vocabulary';

/** Where a thing is mounted and what it hangs on: a rack with its units, a mains circuit or a UPS, and the watts it takes from there. */
export const hookUpSchema = z.strictObject({
  rackId: idSchema.optional(),
  rackUnits: z.int().min(0).max(60).optional(),
  /** The lowest unit that it takes, counted from the bottom of the rack; left out while nobody has looked. */
  rackFrom: z.int().min(1).max(60).optional(),
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
    /** Its ports reach so far, beyond what Ethernet does, and carry so much then. */
    reach: z
      .strictObject({ metres: z.number().min(100).max(2000), mbps: z.number().positive().max(1000) })
      .optional(),
    /** Ports and watts that others take: desks, phones, doors. */
    taken: z.strictObject({ ports: z.int().min(0).max(256), watts: z.number().min(0).max(5000) }).optional(),
  }),
  /** A head-end unit for Ethernet over coax that is there. */
  z.strictObject({
    kind: z.literal('coax-unit'),
    ports: z.int().min(1).max(96),
    poeWatts: z.number().min(0).max(5000),
    portWatts: z.number().positive().max(100).optional(),
    uplinkMbps: z.number().positive().max(100_000),
  }),
  /** One end of a link that does not run over copper pairs: a radio, a media or coax converter, a power-line adapter. */
  z.strictObject({
    kind: z.literal('link-end'),
    medium: z.enum(linkMedia).exclude(['category']),
    carriesMbps: z.number().positive().max(100_000),
  }),
  /** Makes a stream of each composite picture that is plugged into it. */
  z.strictObject({
    kind: z.literal('encoder'),
    ports: z.int().min(1).max(96),
    uplinkMbps: z.number().positive().max(100_000),
  }),
  /** Puts power on the one data lead that goes through it. */
  z.strictObject({ kind: z.literal('injector'), portWatts: z.number().positive().max(100) }),
  z.strictObject({ kind: z.literal('router') }),
  /** Whoever steers turning cameras sits at it. */
  z.strictObject({ kind: z.literal('keyboard'), steersOver: z.enum(['pair', 'network']) }),
  /** Puts any of its inputs on any of its outputs, for monitors and recorders behind it. */
  z.strictObject({
    kind: z.literal('matrix'),
    inputs: z.int().min(1).max(1024),
    outputs: z.int().min(1).max(256),
  }),
  z.strictObject({
    kind: z.literal('monitor'),
    input: z.enum(['composite', 'vga', 'hdmi']),
    /** The recorder whose pictures it shows, and the cameras in its tiles, row by row from the top left. */
    recorderId: idSchema.optional(),
    /** In place of a recorder, the matrix that it hangs on. */
    matrixId: idSchema.optional(),
    tiles: z.array(idSchema).max(64).optional(),
  }),
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
    /** The year on its battery. */
    batteryYear: z.int().min(1980).max(2100).optional(),
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

/** How many ports gear has; nobody counts those of a router, and other gear has none. */
export const portsOf = (gear: Gear | undefined): number | null =>
  gear?.kind === 'switch' || gear?.kind === 'coax-unit' ? gear.ports : null;

/** Gear that is part of the network, in the order in which it is offered. */
export const networkGearKinds = [
  'switch',
  'coax-unit',
  'encoder',
  'injector',
  'link-end',
  'router',
] as const satisfies readonly GearKind[];
export type NetworkGearKind = (typeof networkGearKinds)[number];

export const isNetworkGear = ({ kind }: Gear): boolean => networkGearKinds.some((one) => one === kind);

export const gearKinds: readonly GearKind[] = [
  ...networkGearKinds,
  'keyboard',
  'matrix',
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
  /** It is not there yet: the row of the catalogue that is to be bought. */
  toBuy: idSchema.optional(),
  /** It is taken out when all is done. */
  goes: z.literal(true).optional(),
  note: noteSchema.optional(),
});
export type Equipment = z.infer<typeof equipmentSchema>;
