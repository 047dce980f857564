import { z } from 'zod';
import { slotRulesSchema } from '#core/model/slotRules';
import { hdSchemes, pictureFormatIds } from '#core/physics/signal';
import { hoursSchema } from './cutoverSettings';
import { hookUpSchema } from './equipment';
import { recorderNetworkSchema } from './networkConfig';
import { powerLeadSchema } from './run';
import { currentSchema, idSchema, nameSchema, noteSchema, voltsSchema } from './vocabulary';

/** A power supply box: one rail, several fused outputs. */
export const supplySchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  placeId: idSchema,
  current: currentSchema,
  setVolts: voltsSchema,
  ratedAmps: z.number().positive().max(100),
  adjustable: z.strictObject({ minVolts: voltsSchema, maxVolts: voltsSchema }).optional(),
  /** It floats a 12 V battery on its rail: the rail is as high as that charges, and falls as it empties. */
  battery: z.boolean().optional(),
  outputs: z
    .array(
      z.strictObject({
        number: z.int().min(1).max(64),
        fuseAmps: z.number().positive().max(32),
        /** Cores from the output to where it splits: they carry what all of its cameras take, and the cores of each begin behind it. */
        lead: powerLeadSchema.optional(),
      }),
    )
    .min(1)
    .max(64),
  hookUp: hookUpSchema.optional(),
  note: noteSchema.optional(),
});
export type Supply = z.infer<typeof supplySchema>;

export const monitorOutputs = ['composite', 'vga', 'hdmi'] as const;

export const recorderSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  placeId: idSchema,
  inputs: z.int().min(0).max(64),
  accepts: z.array(z.enum(pictureFormatIds)),
  /** Which schemes of HD over coax its inputs understand; left out while nobody has noted it. */
  schemes: z.array(z.enum(hdSchemes)).max(hdSchemes.length).optional(),
  /** Pixels across that it keeps of an input's picture; left out where it keeps what comes. */
  storesAcross: z.int().min(160).max(8000).optional(),
  /** What its inputs are set to; left out where they find it by themselves. */
  lineStandard: z.enum(['625/50', '525/60']).optional(),
  rules: slotRulesSchema,
  limits: z.strictObject({
    incomingMbps: z.number().positive().max(10_000),
    slotMegapixels: z.number().positive().max(64),
    ipCameras: z.int().min(0).max(128),
  }),
  restartMinutes: z.number().min(0).max(120),
  /** The hours in which it may restart; left out, any: at all others nothing that it records may be missed. */
  restartHours: hoursSchema.optional(),
  /** What sharing its slots out anew costs, where it is not as usual for its rules. */
  onChange: z
    .strictObject({ restarts: z.boolean(), factoryValues: z.boolean(), losesAnalytics: z.boolean() })
    .optional(),
  /** Inputs that are set to IP today. */
  ipInputs: z.array(z.int().min(1).max(64)).max(64).optional(),
  /** Inputs that are set to one picture format and take no other. */
  forced: z
    .array(z.strictObject({ input: z.int().min(1).max(64), format: z.enum(pictureFormatIds) }))
    .max(64)
    .optional(),
  network: recorderNetworkSchema.optional(),
  /** Ports of its own that give power. What hangs on them is on a network behind it, which it alone records. */
  powerPorts: z
    .strictObject({
      ports: z.int().min(1).max(64),
      watts: z.number().positive().max(2000),
      /** What one port gives at most; left out, the 30 W of class 4. */
      portWatts: z.number().positive().max(100).optional(),
    })
    .optional(),
  /** Inputs come in blocks of so many that share a signal family: composite or HD over coax, not both. */
  blockSize: z.int().min(2).max(16).optional(),
  disks: z
    .array(z.strictObject({ terabytes: z.number().positive().max(100) }))
    .max(24)
    .optional(),
  monitorOutputs: z.array(z.enum(monitorOutputs)).max(8).optional(),
  hookUp: hookUpSchema.optional(),
  /** It is not there yet: a row of the catalogue that a plan buys. */
  toBuy: idSchema.optional(),
  note: noteSchema.optional(),
});
export type Recorder = z.infer<typeof recorderSchema>;
