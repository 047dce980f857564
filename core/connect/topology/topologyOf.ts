import { hasOwnCamera, optionRow, type NetworkCamera, type Site } from '#core/model/site';
import { lineKind } from '#core/test/findings';
import {
  networkCameraNeeds,
  type FeasibleOption,
  type MarginKind,
  type NetworkCameraNeed,
  type PortKind,
  type SharedThing,
  type Total,
} from '#core/decide/options';
import { chosenOption, type RunEvaluation } from '#core/decide/runEvaluation';
import { attach, type PortNeed } from './attach';
import { devicesNoted, fieldSwitchDevice, plannedUnits, wayOf } from './devicesOf';
import { coresOf, patchesOf, trunksOf } from './patches';
import type { CameraEnd, Device, Medium, Topology, TopologyLink } from './types';

/** Which moment is looked at: today, when all is done, or a morning by which some cameras have been moved. */
export type Moment = { kind: 'today' } | { kind: 'after' } | { kind: 'morning'; moved: ReadonlySet<string> };

/** Whether a camera hangs by its choice at a moment, and not as it does today. */
export const isMoved = (moment: Moment, cameraId: string): boolean =>
  moment.kind === 'after' || (moment.kind === 'morning' && moment.moved.has(cameraId));

/** A camera with how it hangs at that moment: by an option, or as it does today. */
interface CameraNow {
  evaluation: RunEvaluation;
  option: FeasibleOption | null;
}

function camerasNow(runs: readonly RunEvaluation[], moment: Moment): CameraNow[] {
  return runs.flatMap((evaluation): CameraNow[] => {
    if (!isMoved(moment, evaluation.camera.id)) return [{ evaluation, option: null }];
    // A choice that cannot be is as good as none: the camera hangs as it does today.
    const option = chosenOption(evaluation);
    return option && !hasOwnCamera(option.kind) ? [] : [{ evaluation, option: option ?? null }];
  });
}

const pictureMedium = (run: RunEvaluation['run']): Medium =>
  lineKind(run) === 'coax' ? 'coax-picture' : 'balun';

const networkMedium = ({ kind }: FeasibleOption, run: RunEvaluation['run']): Medium => {
  const { cable, keepsCamera } = optionRow(kind);
  if (keepsCamera) return pictureMedium(run);
  return cable === 'coax' ? 'coax-data' : 'category';
};

const sentMbps = ({ signal }: FeasibleOption): number => (signal.kind === 'ip' ? signal.mbps : 0);

/** A way that cameras of one place share, with those that do. */
interface SharedWay {
  key: string;
  placeId: string;
  fromPlaceId: string;
  medium: NonNullable<SharedThing['way']>['medium'];
  lengthM: number;
  carriesMbps: number;
  cameraIds: string[];
  mbps: number;
}

/** What a fibre or a category cable carries, where nothing else is said. */
const cableMbps = 1000;

/** The margin that says what a way carries; a cable or a fibre carries as much as its ends do. */
const rateOf: Partial<Record<SharedWay['medium'], MarginKind>> = {
  radio: 'radio-rate',
  'coax-converters': 'link-rate',
};

/** Ways that lead to a PoE switch at the place, whoever hangs on it. */
const toPlaceSwitch: ReadonlySet<SharedWay['medium']> = new Set(['category', 'coax-converters']);

function sharedWays(cameras: readonly CameraNow[]): SharedWay[] {
  const ways = new Map<string, SharedWay>();
  for (const { evaluation, option } of cameras) {
    const thing = option && wayOf(option);
    if (!option || !thing?.way) continue;
    const rate = option.margins.find(({ kind }) => kind === rateOf[thing.way!.medium]);
    const way = ways.get(thing.key) ?? {
      key: thing.key,
      placeId: evaluation.camera.placeId,
      ...thing.way,
      carriesMbps: rate?.value ?? cableMbps,
      cameraIds: [],
      mbps: 0,
    };
    way.cameraIds.push(evaluation.camera.id);
    way.mbps += sentMbps(option);
    ways.set(thing.key, way);
  }
  return [...ways.values()];
}

/** What a port is wanted for, and what gives such a port. */
type PortUse = PortKind | 'switch';
const suits: Record<PortUse, (device: Device) => boolean> = {
  'coax-unit': ({ kind }) => kind === 'coax-unit',
  encoder: ({ kind }) => kind === 'encoder',
  'poe-switch': ({ kind, poeWatts, isLongReach }) =>
    (kind === 'switch' || kind === 'recorder') && poeWatts > 0 && !isLongReach,
  'long-reach-switch': ({ isLongReach }) => isLongReach === true,
  switch: ({ kind }) => kind === 'switch',
};

/** What each camera and each way asks of a port at its place. */
function portNeeds(
  site: Pick<Site, 'attachment' | 'camera' | 'placement'>,
  cameras: readonly CameraNow[],
  ways: readonly SharedWay[],
  deviceOf: ReadonlyMap<string, Device>,
): PortNeed[] {
  const lists = new Map<string, Device[]>();
  /** Gear of one use at one place, the same list for everybody who asks. */
  const at = (placeId: string, use: PortUse, recorderId?: string): Device[] => {
    // What hangs on a recorder's own port is seen by that recorder alone.
    const recorder = recorderId === undefined ? undefined : deviceOf.get(recorderId);
    const own = recorder?.placeId === placeId && suits[use](recorder) ? recorder.id : '';
    const key = `${use} ${placeId} ${own}`;
    const known = lists.get(key);
    if (known) return known;
    const list = [...deviceOf.values()].filter(
      (device) =>
        device.placeId === placeId && suits[use](device) && (device.kind !== 'recorder' || device.id === own),
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
        ...(pinnedTo === undefined ? {} : { pinnedTo }),
      },
    ];
  });
  const ofWays = ways.map(({ key, fromPlaceId, mbps, cameraIds }): PortNeed => ({
    key,
    number: site.camera[cameraIds[0]!]!.number,
    watts: 0,
    mbps,
    candidates: at(fromPlaceId, 'switch'),
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

/** Cameras of the network that are there at a moment: new views come when their slot is theirs. */
const networkCamerasAt = (site: Site, moment: Moment): NetworkCameraNeed[] =>
  networkCameraNeeds(site).filter(({ fact }) => fact.state === 'there' || isMoved(moment, fact.id));

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

/** The recorder that keeps a camera of the network: the one that does today as long as that counts, else the one that is planned. */
function keptBy(
  { placement }: Pick<Site, 'placement'>,
  { id, recordedAt }: NetworkCamera,
  moment: Moment,
): string | null {
  const planned = placement[id];
  const at = isMoved(moment, id) ? (planned ?? recordedAt) : (recordedAt ?? planned);
  return at?.recorderId ?? null;
}

/** How a camera of the network hangs there: on what is noted, or on nothing yet. */
const networkEnd = (
  site: Pick<Site, 'placement'>,
  { camera, fact, portWatts, signal }: NetworkCameraNeed,
  attached: ReadonlyMap<string, Device>,
  moment: Moment,
): CameraEnd => ({
  cameraId: camera.id,
  runId: null,
  number: camera.number,
  name: camera.name,
  placeId: camera.placeId,
  deviceId: attached.get(camera.id)?.id ?? null,
  recorderId: keptBy(site, fact, moment),
  medium: fact.lead.medium,
  lengthM: fact.lead.lengthM,
  ...(fact.lead.rateMbps === undefined ? {} : { airMbps: fact.lead.rateMbps }),
  mbps: signal.mbps,
  watts: portWatts,
  isPinned: attached.has(camera.id),
  isNewCable: false,
});

const recorderOf = (site: Site, { run, camera }: RunEvaluation, option: FeasibleOption | null) =>
  (option ? site.placement[camera.id]?.recorderId : undefined) ?? run.patchedTo?.recorderId ?? null;

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
  const meeting = ways.filter(({ cameraIds, medium }) => cameraIds.length > 1 || toPlaceSwitch.has(medium));
  const units = moment.kind === 'today' ? [] : plannedUnits(site, total);
  const fieldSwitches = new Map(
    meeting
      .filter(({ medium }) => !toPlaceSwitch.has(medium))
      .map(({ placeId }) => [placeId, fieldSwitchDevice(site, placeId)] as const),
  );
  const devices = [
    ...devicesNoted(site, moment.kind === 'after'),
    ...units,
    ...fieldSwitches.values(),
  ].filter(({ standing }) => moment.kind !== 'today' || standing === 'there');
  const onNetwork = networkCamerasAt(site, moment);
  const deviceOf = new Map(devices.map((device) => [device.id, device]));
  const attached = attach([
    ...portNeeds(site, cameras, ways, deviceOf),
    ...onNetwork.flatMap((one) => networkPortNeed(one, deviceOf)),
  ]);
  const wayOfCamera = new Map(ways.flatMap((way) => way.cameraIds.map((id) => [id, way] as const)));
  const meets = new Set(meeting.map(({ key }) => key));
  const cores = coresOf(devices);
  const wayLinks = meeting.flatMap((way): TopologyLink[] => {
    const from = attached.get(way.key);
    const into = toPlaceSwitch.has(way.medium) ? cores.get(way.placeId) : fieldSwitches.get(way.placeId);
    return from && into && from.id !== into.id ? [linkOfWay(way, from, into)] : [];
  });
  const ends = cameras.map(({ evaluation, option }): CameraEnd => {
    const { camera, run, lengthM } = evaluation;
    const recorderId = recorderOf(site, evaluation, option);
    const end = {
      cameraId: camera.id,
      runId: run.id,
      number: camera.number,
      name: camera.name,
      placeId: camera.placeId,
      recorderId,
      isPinned: false,
      isNewCable: option?.kind === 'new-category',
      watts: 0,
    };
    if (!option || option.signal.kind !== 'ip')
      return { ...end, deviceId: recorderId, medium: pictureMedium(run), lengthM, mbps: 0 };
    const mbps = sentMbps(option);
    const ownWay = wayOfCamera.get(camera.id);
    const way = ownWay && toPlaceSwitch.has(ownWay.medium) ? undefined : ownWay;
    if (way && meets.has(way.key))
      return { ...end, deviceId: fieldSwitches.get(way.placeId)!.id, medium: 'category', lengthM: 0, mbps };
    if (way)
      return {
        ...end,
        deviceId: attached.get(way.key)?.id ?? null,
        medium: way.medium,
        lengthM: way.lengthM,
        mbps,
      };
    const device = attached.get(camera.id);
    return {
      ...end,
      deviceId: device?.id ?? null,
      medium: networkMedium(option, run),
      lengthM: optionRow(option.kind).cable === 'none' ? option.newCableM : lengthM,
      mbps,
      watts: option.shared?.sourceWatts ?? 0,
      ...(option.shared?.nightWatts === undefined ? {} : { nightWatts: option.shared.nightWatts }),
      ...(option.onCoaxOf === null ? {} : { onCoaxOf: option.onCoaxOf }),
      isPinned: device !== undefined && site.attachment[camera.id]?.deviceId === device.id,
    };
  });
  return {
    devices,
    links: [
      ...patchesOf(devices, cores),
      ...trunksOf(site, devices, cores, moment.kind !== 'today'),
      ...wayLinks,
    ],
    cameras: [...ends, ...onNetwork.map((one) => networkEnd(site, one, attached, moment))].sort(
      (a, b) => a.number - b.number,
    ),
  };
}
