import { allocationSettingsId, allocationSettingsOf, type AllocationSettings } from './allocationSettings';
import type { Change } from './change';

/** The change that wants something else of the slots of a site. Who says how many cameras a night holds means the next nights, not those planned so far. */
export function setAllocationSettings(
  site: { allocationSettings: Readonly<Record<string, AllocationSettings>> },
  fields: Partial<AllocationSettings>,
): Change {
  const { asPlanned, ...before } = allocationSettingsOf(site);
  const kept = asPlanned === undefined || fields.perNight !== undefined ? {} : { asPlanned };
  return { kind: 'allocationSettings', id: allocationSettingsId, set: { ...before, ...kept, ...fields } };
}
