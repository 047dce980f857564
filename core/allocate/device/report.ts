import { z } from 'zod';
import { addressSchema } from '#core/model/site';

const slotSchema = z.int().min(1).max(128);
const wordsSchema = z.string().max(200);

/** What a recorder says of one of its slots. */
export const channelSchema = z.discriminatedUnion('kind', [
  /** An input on coax; `picture` is the format it sees, `null` where nothing comes in. */
  z.strictObject({
    slot: slotSchema,
    kind: z.literal('coax'),
    name: wordsSchema,
    picture: z.string().max(20).nullable(),
  }),
  z.strictObject({
    slot: slotSchema,
    kind: z.literal('ip'),
    name: wordsSchema,
    address: addressSchema,
    mbps: z.number().min(0).max(1000),
    state: z.enum(['recording', 'dropped', 'lost']),
  }),
]);
export type Channel = z.infer<typeof channelSchema>;

/** What a recorder says of itself. Anything else that answers is no recorder that can be talked to. */
export const reportSchema = z.strictObject({
  name: wordsSchema,
  serial: wordsSchema,
  inputs: z.int().min(0).max(64),
  slots: slotSchema,
  /** Inputs that are IP just now. */
  ipInputs: z.array(slotSchema).max(64),
  incomingMbps: z.number().positive().max(10_000),
  /** Whether its settings have fallen back to those it came with. */
  factoryValues: z.boolean(),
  timeSource: wordsSchema.nullable(),
  channels: z.array(channelSchema).max(128),
});
export type Report = z.infer<typeof reportSchema>;

/** A camera that a recorder finds on its network. */
export const foundSchema = z.strictObject({
  address: addressSchema,
  model: wordsSchema,
  megapixels: z.number().positive().max(64),
  mbps: z.number().min(0).max(1000),
  passwordSet: z.boolean(),
});
export type FoundCamera = z.infer<typeof foundSchema>;

/** All settings of a recorder as it hands them out; what is in them is its own business, up to a megabyte. */
export const settingsSchema = z.looseObject({ format: wordsSchema });
export type Settings = z.infer<typeof settingsSchema>;
