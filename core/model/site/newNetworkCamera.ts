import type { TargetClassId } from './camera';
import { placeholderCamera } from './cameraKinds';
import type { Change } from './change';
import { freeId } from './freeId';
import type { NetworkCamera } from './networkCamera';
import { nextNumber, placeNamed } from './newRun';
import type { Site } from './site';

/** What a person says of a camera of the network that is to be added. */
export interface NewNetworkCamera extends Omit<NetworkCamera, 'id'> {
  name: string;
  placeName: string;
  target: TargetClassId;
}

/** The changes that add a camera of the network under the next free number, and its place where the site has none of that name. */
export function addNetworkCamera(
  site: Site,
  { name, placeName, target, ...network }: NewNetworkCamera,
  mark?: string,
): Change[] {
  const { place, changes } = placeNamed(site, placeName, mark);
  const number = nextNumber(site);
  const id = freeId((one) => one in site.camera, `c${String(number).padStart(2, '0')}`, mark);
  const camera = placeholderCamera({ id, number, name, placeId: place.id }, 'dc');
  return [
    ...changes,
    { kind: 'camera', id, set: { ...camera, target } },
    { kind: 'networkCamera', id, set: { id, ...network } },
  ];
}
