import { allocationSettingsId, allocationSettingsOf, type AllocationSettings } from './allocationSettings';
import type { Change } from './change';

/** The change that wants something else of the slots of a site. */
export const setAllocationSettings = (
  site: { allocationSettings: Readonly<Record<string, AllocationSettings>> },
  fields: Partial<AllocationSettings>,
): Change => ({
  kind: 'allocationSettings',
  id: allocationSettingsId,
  set: { ...allocationSettingsOf(site), ...fields },
});
