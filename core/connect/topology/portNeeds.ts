import type { NetworkCameraNeed, PortKind } from '#core/decide/options';
import type { Site } from '#core/model/site';
import { groupBy } from '#core/shared/grouping';
import type { PortNeed } from './attach';
import type { CameraNow } from './moment';
import type { SharedWay } from './sharedWays';
import type { Device } from './types';

/** What a port is wanted for, and what gives such a port. */
type PortUse = PortKind | 'way';
const suits: Record<PortUse, (device: Device) => boolean> = {
  'coax-unit': ({ kind }) => kind === 'coax-unit',
  encoder: ({ kind }) => kind === 'encoder',
  'poe-switch': ({ kind, poeWatts, isLongReach }) =>
    (kind === 'switch' || kind === 'recorder') && poeWatts > 0 && !isLongReach,
  'long-reach-switch': ({ isLongReach }) => isLongReach === true,
  way: ({ kind, isLongReach }) => (kind === 'switch' || kind === 'recorder') && !isLongReach,
};

/** What each camera and each way asks of a port at its place. */
export function portNeeds(
  site: Pick<Site, 'attachment' | 'camera' | 'placement' | 'recorder'>,
  cameras: readonly CameraNow[],
  ways: readonly SharedWay[],
  deviceOf: ReadonlyMap<string, Device>,
): PortNeed[] {
  const lists = new Map<string, Device[]>();
  const standingAt = groupBy([...deviceOf.values()], ({ placeId }) => placeId);
  /** Gear of one use at one place, the same list for everybody who asks. */
  const at = (placeId: string, use: PortUse, recorderId?: string): Device[] => {
    // What hangs on a recorder's own port is seen by that recorder alone.
    const recorder = recorderId === undefined ? undefined : deviceOf.get(recorderId);
    const own = recorder?.placeId === placeId && suits[use](recorder) ? recorder.id : '';
    const key = `${use} ${placeId} ${own}`;
    const known = lists.get(key);
    if (known) return known;
    const list = (standingAt.get(placeId) ?? []).filter(
      (device) => suits[use](device) && (device.kind !== 'recorder' || device.id === own),
    );
    lists.set(key, list);
    return list;
  };
  const ofCameras = cameras.flatMap(({ evaluation: { camera }, option }): PortNeed[] => {
    if (!option?.shared) return [];
    const { of, placeId, sourceWatts, mbps } = option.shared;
    const candidates = at(placeId, of, site.placement[camera.id]?.recorderId);
    const pinnedTo = site.attachment[camera.id]?.deviceId;
    return [
      {
        key: camera.id,
        number: camera.number,
        watts: sourceWatts,
        mbps,
        candidates,
        pinnedTo,
      },
    ];
  });
  // Where there is but one recorder, everything goes to it, and its own ports are as good as those of a switch.
  const [first, second] = Object.values(site.recorder);
  const only = second || !first?.powerPorts ? undefined : first.id;
  const ofWays = ways.map(({ key, fromPlaceId, mbps, cameraIds }): PortNeed => ({
    key,
    number: site.camera[cameraIds[0]!]!.number,
    watts: 0,
    mbps,
    candidates: at(fromPlaceId, 'way', only),
  }));
  return [...ofCameras, ...ofWays];
}

/** The port of the device that a camera of the network is noted to hang on. */
export function networkPortNeed(
  { camera: { id, number }, fact: { deviceId }, portWatts, signal }: NetworkCameraNeed,
  devices: ReadonlyMap<string, Device>,
): PortNeed[] {
  const device = deviceId === undefined ? undefined : devices.get(deviceId);
  if (!device) return [];
  return [
    {
      key: id,
      number,
      watts: portWatts,
      mbps: signal.mbps,
      candidates: [device],
      pinnedTo: device.id,
    },
  ];
}
