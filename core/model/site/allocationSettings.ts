import { z } from 'zod';
import { streamSettingsSchema } from './stream';
import { idSchema } from './vocabulary';

/** There is one record of them. */
export const allocationSettingsId = 'allocation-settings';

/** What a customer wants of the slots of all recorders. */
export const allocationSettingsSchema = z.strictObject({
  id: z.literal(allocationSettingsId),
  /** Whether a camera's slot should have its number. */
  numbers: z.enum(['keep', 'any']),
  /** Whether network cameras stay on the recorder of their building, or are spread so that none is fuller than it has to be. */
  share: z.enum(['building', 'load']),
  /** Streams of all cameras that have no setting of their own. */
  streams: streamSettingsSchema,
  /** Cameras that a crew moves in one night at most. */
  perNight: z.int().min(1).max(64),
  /** So many of them in the nights that were agreed, where that leaves views dark for less long; as many as may be where it is missing. */
  asPlanned: z.int().min(1).max(64).optional(),
  /** Cameras that must not wait for the others. */
  first: z.array(idSchema).max(64),
});
export type AllocationSettings = z.infer<typeof allocationSettingsSchema>;

export const usualAllocationSettings: AllocationSettings = {
  id: allocationSettingsId,
  numbers: 'keep',
  share: 'building',
  streams: {},
  perNight: 6,
  first: [],
};

/** How many cameras a night of the order of moves holds. */
export const camerasPerNight = ({ perNight, asPlanned }: AllocationSettings): number =>
  Math.min(perNight, asPlanned ?? perNight);

/** What is wanted of the slots of a site. */
export const allocationSettingsOf = ({
  allocationSettings,
}: {
  allocationSettings: Readonly<Record<string, AllocationSettings>>;
}): AllocationSettings => allocationSettings[allocationSettingsId] ?? usualAllocationSettings;
