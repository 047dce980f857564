import { z } from 'zod';
import { pictureFormatIds } from '#core/physics/signal';
import { hookUpSchema } from './equipment';
import { recorderNetworkSchema } from './networkConfig';
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
  outputs: z
    .array(z.strictObject({ number: z.int().min(1).max(64), fuseAmps: z.number().positive().max(32) }))
    .min(1)
    .max(64),
  hookUp: hookUpSchema.optional(),
  note: noteSchema.optional(),
});
export type Supply = z.infer<typeof supplySchema>;

/** How a recorder lets coax inputs and IP slots be shared out. */
export const slotRulesSchema = z.discriminatedUnion('kind', [
  /** `extraIpSlots` after the last input; inputs turn to IP only from the highest number downwards. */
  z.strictObject({ kind: z.literal('from-the-tail'), extraIpSlots: z.int().min(0).max(64) }),
  /** Coax inputs stay coax; IP cameras go on the IP slots after them. */
  z.strictObject({ kind: z.literal('fixed-hybrid'), ipSlots: z.int().min(0).max(64) }),
  /** The whole recorder takes one of a few presets: so many inputs on coax, so many IP slots after them. */
  z.strictObject({
    kind: z.literal('preset-split'),
    presets: z
      .array(z.strictObject({ inputs: z.int().min(0).max(64), ipSlots: z.int().min(0).max(128) }))
      .min(1)
      .max(12),
  }),
  /** `extraIpSlots` after the last input; any input can turn to IP by itself. */
  z.strictObject({ kind: z.literal('switch-per-input'), extraIpSlots: z.int().min(0).max(64) }),
  /** No coax inputs. The first `poe.ports` slots can have ports of its own that give power. */
  z.strictObject({
    kind: z.literal('network-only'),
    ipSlots: z.int().min(1).max(128),
    poe: z.strictObject({ ports: z.int().min(1).max(64), watts: z.number().positive().max(5000) }).optional(),
  }),
]);
export type SlotRules = z.infer<typeof slotRulesSchema>;

/** Rules of a kind as they usually come, for a recorder of so many inputs. */
export function usualRules(kind: SlotRules['kind'], inputs: number, ipSlots: number): SlotRules {
  switch (kind) {
    case 'from-the-tail':
    case 'switch-per-input':
      return { kind, extraIpSlots: Math.min(64, ipSlots) };
    case 'fixed-hybrid':
      return { kind, ipSlots: Math.min(64, ipSlots) };
    case 'network-only':
      return { kind, ipSlots: Math.max(1, ipSlots) };
    case 'preset-split': {
      const half = Math.floor(inputs / 2);
      return {
        kind,
        presets: [
          { inputs, ipSlots: 0 },
          { inputs: half, ipSlots: inputs - half },
          { inputs: 0, ipSlots: inputs },
        ],
      };
    }
  }
}

/** Where a recorder's rules of a kind say how many IP slots they have, as a path for its limits. */
export function ipSlotsField(kind: SlotRules['kind']): string {
  switch (kind) {
    case 'preset-split':
      return 'rules[preset-split].presets.ipSlots';
    case 'from-the-tail':
    case 'switch-per-input':
      return `rules[${kind}].extraIpSlots`;
    case 'fixed-hybrid':
    case 'network-only':
      return `rules[${kind}].ipSlots`;
  }
}

/** A recorder with rules of another kind, as they usually come, its IP slots kept as far as the kind has them. */
export function withRulesOf(recorder: Recorder, kind: SlotRules['kind']): Recorder {
  const { rules, inputs } = recorder;
  const ipSlots =
    'extraIpSlots' in rules
      ? rules.extraIpSlots
      : 'ipSlots' in rules
        ? rules.ipSlots
        : Math.max(...rules.presets.map((preset) => preset.ipSlots));
  return {
    ...recorder,
    inputs: kind === 'network-only' ? 0 : inputs,
    rules: usualRules(kind, inputs, ipSlots),
  };
}

export const monitorOutputs = ['composite', 'vga', 'hdmi'] as const;

export const recorderSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  placeId: idSchema,
  inputs: z.int().min(0).max(64),
  accepts: z.array(z.enum(pictureFormatIds)),
  /** What its inputs are set to; left out where they find it by themselves. */
  lineStandard: z.enum(['625/50', '525/60']).optional(),
  rules: slotRulesSchema,
  limits: z.strictObject({
    incomingMbps: z.number().positive().max(10_000),
    slotMegapixels: z.number().positive().max(64),
    ipCameras: z.int().min(0).max(128),
  }),
  restartMinutes: z.number().min(0).max(120),
  /** What sharing its slots out anew costs, where it is not as usual for its rules. */
  onChange: z
    .strictObject({ restarts: z.boolean(), factoryValues: z.boolean(), losesAnalytics: z.boolean() })
    .optional(),
  /** Inputs that are set to IP today. */
  turned: z.array(z.int().min(1).max(64)).max(64).optional(),
  /** Inputs that are set to one picture format and take no other. */
  forced: z
    .array(z.strictObject({ input: z.int().min(1).max(64), format: z.enum(pictureFormatIds) }))
    .max(64)
    .optional(),
  network: recorderNetworkSchema.optional(),
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

/** All slots of a recorder: its coax inputs, then its IP slots. */
export function slotCount({ inputs, rules }: Recorder): number {
  switch (rules.kind) {
    case 'from-the-tail':
    case 'switch-per-input':
      return inputs + rules.extraIpSlots;
    case 'fixed-hybrid':
      return inputs + rules.ipSlots;
    case 'network-only':
      return rules.ipSlots;
    case 'preset-split':
      return Math.max(...rules.presets.map((preset) => preset.inputs + preset.ipSlots));
  }
}
