import type { CameraEnd, Device, Topology } from './types';

/**
 * What a camera could hang on by hand: gear of the kind that it hangs on, at the same place, that gives power where its port has to.
 * Nothing where its way is shared or leads to a recorder's own input: there is no port of its own to choose.
 */
export function alternativesFor({ devices }: Pick<Topology, 'devices'>, camera: CameraEnd): Device[] {
  const now = devices.find(({ id }) => id === camera.deviceId);
  if (!now || camera.watts === 0) return [];
  return devices.filter(
    ({ kind, placeId, poeWatts }) => kind === now.kind && placeId === now.placeId && poeWatts > 0,
  );
}
