import type { NetworkCameraNeed, PortKind, Total } from '#core/decide/options';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Site } from '#core/model/site';
import { groupBy } from '#core/shared/grouping';
import { attach, type PortNeed } from './attach';
import { networkEnd, runEnd } from './cameraEnds';
import { devicesNoted, plannedUnits } from './devicesOf';
import { fieldSwitchesAt } from './fieldSwitches';
import { camerasNow, networkCamerasAt, type CameraNow, type Moment } from './moment';
import { endsOf, leadsOf } from './leads';
import { coresOf, patchesOf, trunksOf } from './patches';
import { sharedWays, type SharedWay } from './sharedWays';
import type { Device, Topology, TopologyLink } from './types';

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
function portNeeds(
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

const wayWords = { fibre: 'Fibre', radio: 'Radio', category: 'Cable', 'coax-converters': 'Coax' } as const;

/** The link of a way that ends in a switch at its place, since several cameras meet there. */
function linkOfWay(way: SharedWay, from: Device, to: Device): TopologyLink {
  return {
    id: `way-${way.fromPlaceId}-${way.placeId}-${way.medium}`,
    name: `${wayWords[way.medium]} from ${from.name} to ${to.name}`,
    fromId: from.id,
    toId: to.id,
    medium: way.medium,
    lengthM: way.lengthM,
    carriesMbps: way.carriesMbps,
    standing: 'planned',
  };
}

/** The port of the device that a camera of the network is noted to hang on. */
function networkPortNeed(
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

/** Network and inputs of a site as they hang together at a moment, from recorders to cameras. */
export function topologyOf(
  site: Site,
  runs: readonly RunEvaluation[],
  total: Pick<Total, 'shared'>,
  moment: Moment,
): Topology {
  const cameras = camerasNow(runs, moment);
  const ways = sharedWays(cameras);
  // A cable to a switch at the place leads there whoever hangs on it; light and radio lead to a lone camera by themselves.
  const meeting = ways.filter(
    ({ cameraIds, intoPlaceId }) => cameraIds.length > 1 || intoPlaceId !== undefined,
  );
  const units = moment.kind === 'today' ? [] : plannedUnits(site, total);
  const fieldSwitches = fieldSwitchesAt(
    site,
    meeting.filter(({ intoPlaceId }) => intoPlaceId === undefined),
  );
  const devices = [...devicesNoted(site, moment.kind === 'after'), ...units, ...fieldSwitches.devices].filter(
    ({ standing }) => moment.kind !== 'today' || standing === 'there',
  );
  const onNetwork = networkCamerasAt(site, moment);
  const deviceOf = new Map(devices.map((device) => [device.id, device]));
  const cores = coresOf(devices);
  const between = [...patchesOf(devices, cores), ...trunksOf(site, devices, cores, moment.kind !== 'today')];
  const endsOfWays = meeting.flatMap(({ intoPlaceId }) => {
    const into = intoPlaceId === undefined ? undefined : cores.get(intoPlaceId);
    return into ? [into.id] : [];
  });
  const attached = attach(
    [
      ...portNeeds(site, cameras, ways, deviceOf),
      ...onNetwork.flatMap((one) => networkPortNeed(one, deviceOf)),
    ],
    leadsOf(devices, [...endsOf(between), ...endsOfWays]),
  );
  const wayOfCamera = new Map(ways.flatMap((way) => way.cameraIds.map((id) => [id, way] as const)));
  const wayLinks = meeting.flatMap((way): TopologyLink[] => {
    const from = attached.get(way.key);
    const into =
      way.intoPlaceId === undefined ? fieldSwitches.firstOf.get(way.key) : cores.get(way.intoPlaceId);
    return from && into && from.id !== into.id ? [linkOfWay(way, from, into)] : [];
  });
  const hanging = { attached, wayOfCamera, fieldSwitchOf: fieldSwitches.of };
  return {
    devices,
    links: [...between, ...wayLinks, ...fieldSwitches.links],
    cameras: [
      ...cameras.map((one) => runEnd(site, one, hanging)),
      ...onNetwork.map((one) => networkEnd(site, one, attached, moment)),
    ].sort((a, b) => a.number - b.number),
  };
}
