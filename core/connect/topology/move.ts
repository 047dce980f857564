import { withFields, type Change, type Site } from '#core/model/site';
import type { CameraEnd, Device, DeviceKind, Medium, Topology } from './types';

/** What a camera would hang on: a device, with the way to it where that is a new one. */
export interface Move {
  device: Device;
  /** Whether the way there is another than the one it has, so that somebody has to say how long it is. */
  isNewWay: boolean;
}

const wired: readonly DeviceKind[] = ['switch', 'injector'];
const byRadio: readonly DeviceKind[] = [...wired, 'link-end'];

/** What the lead of a camera of the network can end at. */
export const leadsTo = (medium: Medium): readonly DeviceKind[] => (medium === 'radio' ? byRadio : wired);

/**
 * What a camera could hang on by hand. A camera of the network: any switch or injector, by radio any access point too; one that gets a new cable: any switch, with the way there where it
 * stands at another place. Any other of the old site: gear of the kind that it hangs on, at the same place, that gives power where its
 * port has to; nothing where its way is shared or leads to a recorder's own input, since there is no port of its own to choose.
 */
export function movesFor(
  { place }: Pick<Site, 'place'>,
  { devices }: Pick<Topology, 'devices'>,
  camera: CameraEnd,
): Move[] {
  const now = devices.find(({ id }) => id === camera.deviceId);
  const asMove = (device: Device): Move => ({ device, isNewWay: device.placeId !== now?.placeId });
  if (camera.runId === null)
    return devices.filter(({ kind }) => leadsTo(camera.medium).includes(kind)).map(asMove);
  if (!now || camera.watts === 0) return [];
  const isInReach = ({ placeId }: Device): boolean =>
    placeId === now.placeId || (camera.isNewCable && place[placeId]!.networkCloset);
  return devices
    .filter((device) => givesAlike(device, now) && device.poeWatts > 0 && isInReach(device))
    .filter(({ kind, id }) => kind !== 'recorder' || id === camera.recorderId)
    .map(asMove);
}

/** A recorder's own ports are as good as those of a switch, to what it records itself. */
const givesAlike = (device: Device, now: Device): boolean => portKind(device) === portKind(now);
const portKind = ({ kind }: Device) => (kind === 'recorder' ? 'switch' : kind);

/** The changes that hang a camera on a device, `lengthM` of new cable away where the way is a new one. */
export function moveChanges(
  site: Pick<Site, 'networkCamera' | 'run'>,
  { cameraId, runId }: Pick<CameraEnd, 'cameraId' | 'runId'>,
  { device, isNewWay }: Move,
  lengthM: number | null,
): Change[] {
  const network = site.networkCamera[cameraId];
  if (network) {
    const { lead } = network;
    // What was read at one access point tells nothing of another.
    const read = network.deviceId === device.id ? {} : { rateMbps: undefined };
    const moved = withFields(lead, { lengthM: lengthM ?? lead.lengthM, ...read });
    const set = { ...network, deviceId: device.id, lead: moved };
    return [{ kind: 'networkCamera', id: cameraId, set }];
  }
  const hang: Change = { kind: 'attachment', id: cameraId, set: { id: cameraId, deviceId: device.id } };
  if (!isNewWay || lengthM === null || runId === null) return [hang];
  const newRoute = { kind: 'open', fromPlaceId: device.placeId, lengthM } as const;
  return [{ kind: 'run', id: runId, set: withFields(site.run[runId]!, { newRoute }) }, hang];
}
