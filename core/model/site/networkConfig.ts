import { z } from 'zod';
import { isRange } from '#core/shared/network';
import { idSchema, nameSchema } from './vocabulary';

/** An address on the camera network, and how many of its first bits are the network's. */
export const addressSchema = z.ipv4();

/** A hardware address, six bytes with colons. */
export const hardwareAddressSchema = z
  .string()
  .regex(/^([0-9a-f]{2}:){5}[0-9a-f]{2}$/, 'a hardware address, such as 02:00:5e:10:00:14');

/** How a network camera joins its recorder. Its id is the camera's. A password is never kept here, only who holds it. */
export const networkConfigSchema = z.strictObject({
  id: idSchema,
  address: addressSchema.optional(),
  /** What is printed on it, or was seen behind a port. */
  hardwareAddress: hardwareAddressSchema.optional(),
  /** Who set its first password and holds it. Left out where it still has none. */
  passwordHeldBy: nameSchema.optional(),
});
export type NetworkConfig = z.infer<typeof networkConfigSchema>;

/** Where a recorder is on the camera network, and what sets its clock. */
export const recorderNetworkSchema = z.strictObject({
  address: addressSchema,
  prefixBits: z.int().min(1).max(31),
  /** The way out of the network, where it has one. */
  gateway: addressSchema.optional(),
  timeSource: z.string().max(120).optional(),
  /** Addresses of its network that no device is given: those that a router hands out, and those that stay spare. */
  kept: z
    .array(
      z
        .strictObject({ from: addressSchema, to: addressSchema })
        .refine(isRange, 'a range that ends no earlier than it begins'),
    )
    .min(1)
    .max(16)
    .optional(),
});
export type RecorderNetwork = z.infer<typeof recorderNetworkSchema>;
