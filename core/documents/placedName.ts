import type { Device } from '#core/connect/topology';
import type { Site } from '#core/model/site';

/** A device with its place, in words. What a choice brings has its place in its name already. */
export function placedName(
  { place }: Pick<Site, 'place'>,
  { name, placeId }: Pick<Device, 'name' | 'placeId'>,
): string {
  const where = place[placeId]?.name ?? '';
  return where === '' || name.endsWith(where) ? name : `${name}, ${where}`;
}

/** How devices of a network are named by their ids; empty for one that is not known. */
export function placedNames(
  site: Pick<Site, 'place'>,
  devices: readonly Device[],
): (id: string | null) => string {
  const names = new Map(devices.map((one) => [one.id, placedName(site, one)]));
  return (id) => names.get(id ?? '') ?? '';
}
