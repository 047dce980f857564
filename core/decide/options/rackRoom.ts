import type { Site } from '#core/model/site';

/** Rack units free at a place; `null` where no rack is noted there, so that nothing is known of its room. */
export function freeRackUnits(
  site: Pick<Site, 'equipment' | 'recorder' | 'supply'>,
  placeId: string,
): number | null {
  const racks = Object.values(site.equipment).flatMap(({ id, placeId: at, gear }) =>
    at === placeId && gear.kind === 'rack' ? [{ id, units: gear.units }] : [],
  );
  if (racks.length === 0) return null;
  const ids = new Set(racks.map(({ id }) => id));
  const mounted = [
    ...Object.values(site.equipment),
    ...Object.values(site.recorder),
    ...Object.values(site.supply),
  ].reduce(
    (sum, { hookUp }) =>
      sum + (hookUp?.rackId !== undefined && ids.has(hookUp.rackId) ? (hookUp.rackUnits ?? 0) : 0),
    0,
  );
  return racks.reduce((sum, { units }) => sum + units, 0) - mounted;
}
