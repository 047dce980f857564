import { z } from 'zod';
import { idSchema } from './vocabulary';

export const leadMedia = ['category', 'radio'] as const;

/**
 * A camera that hangs on the network and on no run of the old site: one that is there already, or a new view. Its id is the
 * camera's, of which only place, view and target class count then: there is no old camera to note.
 */
export const networkCameraSchema = z.strictObject({
  id: idSchema,
  state: z.enum(['there', 'planned']),
  /** The switch or injector that it hangs on, by radio its access point or what that is patched to; left out while nobody has said. */
  deviceId: idSchema.optional(),
  /** From there to the camera; by radio with the rate that the access point shows for it, once somebody has looked. */
  lead: z.strictObject({
    medium: z.enum(leadMedia),
    lengthM: z.number().positive().max(20_000),
    rateMbps: z.number().positive().max(10_000).optional(),
  }),
  /** The slot of a recorder that keeps it today, of one that is there; left out while nobody has looked. */
  recordedAt: z.strictObject({ recorderId: idSchema, slot: z.int().min(1).max(128) }).optional(),
  /** Whether a new camera of its class takes its place on its lead; what is noted below is of the one that is there today then. */
  replaced: z.literal(true).optional(),
  /** What it sends, of all its streams together; left out, as its target class does. */
  mbps: z.number().positive().max(200).optional(),
  megapixels: z.number().positive().max(64).optional(),
  /** What its port has to give; left out, the PoE class of its target class, and nothing by radio. */
  portWatts: z.number().min(0).max(100).optional(),
});
export type NetworkCamera = z.infer<typeof networkCameraSchema>;

/** Whether a new camera is hung for it: for a new view, or in the place of one that is there. */
export const isToBeHung = ({ state, replaced }: Pick<NetworkCamera, 'state' | 'replaced'>): boolean =>
  state === 'planned' || replaced === true;
