import { z } from 'zod';
import { streamSettingsSchema } from './stream';
import { idSchema } from './vocabulary';

/** What a customer wants of the slots of all recorders. There is one record of it, with the id `slotting`. */
export const slottingSchema = z.strictObject({
  id: z.literal('slotting'),
  /** Whether a camera's slot should have its number. */
  numbers: z.enum(['keep', 'any']),
  /** Whether network cameras stay on the recorder of their building, or are spread so that none is fuller than it has to be. */
  share: z.enum(['building', 'load']),
  /** Streams of all cameras that have no setting of their own. */
  streams: streamSettingsSchema,
  /** Cameras that a crew moves in one night. */
  perNight: z.int().min(1).max(64),
  /** Cameras that must not wait for the others. */
  first: z.array(idSchema).max(64),
});
export type AllocationSettings = z.infer<typeof slottingSchema>;

export const usualAllocationSettings: AllocationSettings = {
  id: 'slotting',
  numbers: 'keep',
  share: 'building',
  streams: {},
  perNight: 6,
  first: [],
};

/** What is wanted of the slots of a site. */
export const allocationSettingsOf = ({
  slotting,
}: {
  slotting: Readonly<Record<string, AllocationSettings>>;
}): AllocationSettings => slotting['slotting'] ?? usualAllocationSettings;
