import { counted } from '#core/shared/labels';
import type { Load } from '#core/shared/derivation';
import { formatQuantity } from '#core/shared/units';
import type { Site } from '#core/model/site';
import { groupBy, putUnder } from '#core/shared/grouping';
import { leadsTooLong, linksTooLong } from './lengths';
import { loopsIn } from './loops';
import { numbersOf } from './numbersOf';
import type { CameraEnd, CameraWay, DeviceLoad, LinkLoad, Topology, TopologyFinding } from './types';

const named = (cameras: readonly CameraEnd[]): string =>
  `${cameras.length === 1 ? 'camera' : 'cameras'} ${numbersOf(cameras).join(', ')}`;
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Cameras on the network whose pictures find no way to their recorders, by where they come from and go. */
function withoutWay(site: Site, { devices, cameras }: Topology, ways: ReadonlyMap<string, CameraWay>) {
  const deviceOf = new Map(devices.map((device) => [device.id, device]));
  const groups = groupBy(cameras, ({ deviceId, recorderId, cameraId }) => {
    if (deviceId === null || recorderId === null || ways.has(cameraId)) return null;
    return `${deviceOf.get(deviceId)!.placeId} ${deviceOf.get(recorderId)!.placeId}`;
  });
  return [...groups.values()].map((group): TopologyFinding => {
    const [from, to] = [group[0]!.deviceId!, group[0]!.recorderId!].map(
      (id) => site.place[deviceOf.get(id)!.placeId]!.name,
    );
    return {
      kind: 'no-way',
      message: `No link is noted from ${from} to ${to}, so ${named(group)} ${group.length === 1 ? 'does' : 'do'} not reach the recorder.`,
      remedy: `Note the link that there is, or plan one; or place ${group.length === 1 ? 'it' : 'them'} on a recorder that is reached.`,
      cameraNumbers: numbersOf(group),
    };
  });
}

function alone(topology: Topology): TopologyFinding[] {
  const without = topology.cameras.filter(({ deviceId, mbps }) => deviceId === null && mbps > 0);
  if (without.length === 0) return [];
  return [
    {
      kind: 'no-device',
      message: `${capital(named(without))} ${without.length === 1 ? 'finds' : 'find'} no switch or unit to hang on.`,
      remedy: 'Note the switch that is there, or add one that the choice asks for.',
      cameraNumbers: numbersOf(without),
    },
  ];
}

function unplaced({ cameras }: Topology): TopologyFinding[] {
  const without = cameras.filter(({ recorderId, mbps }) => recorderId === null && mbps > 0);
  if (without.length === 0) return [];
  return [
    {
      kind: 'no-recorder',
      message: `${capital(named(without))} ${without.length === 1 ? 'has' : 'have'} no recorder yet.`,
      remedy: 'Give out the slots in Allocate.',
      cameraNumbers: numbersOf(without),
    },
  ];
}

/** What a person said a camera hangs on, and there is no such thing for it any more. */
function lostPins(site: Site, { cameras }: Topology): TopologyFinding[] {
  const lost = cameras.filter(({ cameraId, isPinned, mbps }) => {
    const pinnedTo = site.attachment[cameraId] ?? site.networkCamera[cameraId];
    return pinnedTo?.deviceId !== undefined && !isPinned && mbps > 0;
  });
  return lost.map((camera) => ({
    kind: 'pin-lost',
    message: `What camera ${camera.number} was to hang on is not there for it any more.`,
    remedy: 'Choose another switch or unit for it, or let it be given one.',
    cameraNumbers: [camera.number],
  }));
}

/** Cameras of the old site that still hang on a coax which carries a field switch. */
function coaxesTaken({ cameras }: Topology): TopologyFinding[] {
  const carrying = new Set(cameras.flatMap(({ onCoaxOf }) => onCoaxOf ?? []));
  return cameras
    .filter(({ cameraId, medium }) => carrying.has(cameraId) && medium.startsWith('coax'))
    .map(({ cameraId, number }) => ({
      kind: 'coax-taken',
      message: `Camera ${number} still hangs on its coax, which is to carry the switch of ${named(cameras.filter(({ onCoaxOf }) => onCoaxOf === cameraId))}.`,
      remedy: `Camera ${number} goes the same way, or another that leaves its coax.`,
      cameraNumbers: [number],
    }));
}

/** Cameras that come by radio to the same switch: they may take turns for one access point that nobody noted. */
function unnotedAir({ devices, cameras }: Topology): TopologyFinding[] {
  const onAir = cameras.filter(({ runId, medium }) => runId === null && medium === 'radio');
  if (onAir.length < 2) return [];
  return devices.flatMap(({ id, name, kind }): TopologyFinding[] => {
    const here = onAir.filter(({ deviceId }) => deviceId === id);
    if (kind === 'link-end' || here.length < 2) return [];
    return [
      {
        kind: 'unnoted-air',
        message: `${capital(named(here))} come to ${name} by radio, and the access point that they look at is not noted: whether they share its time is not reckoned.`,
        remedy: 'Add the access point as a radio at its place, and hang them on it.',
        cameraNumbers: numbersOf(here),
      },
    ];
  });
}

const loops = ({ links }: Topology): TopologyFinding[] =>
  loopsIn(links).map(({ name }) => ({
    kind: 'loop',
    message: `${name} closes a loop: two ways lead to the same place.`,
    remedy: 'Switches must be set for that (spanning tree), or one of the links is left unplugged.',
    cameraNumbers: [],
  }));

const pastLimit = (whose: string, { label, used, most, unit }: Load): string =>
  label === 'airtime'
    ? `${whose} would be on the air ${formatQuantity(used, unit, 0)} of its time, and may be ${formatQuantity(most, unit, 0)}: it serves one at a time, and what it passes on it hears and sends.`
    : unit === ''
      ? `${whose} has ${most} ${label}; ${used} are needed.`
      : `${whose} gives ${formatQuantity(most, unit)}; ${formatQuantity(used, unit)} ${label === 'watts' ? 'are asked of it' : 'come to it'}.`;

/** Cameras by each link that their pictures go over. */
function camerasOver(
  { cameras }: Topology,
  ways: ReadonlyMap<string, CameraWay>,
): ReadonlyMap<string, CameraEnd[]> {
  const over = new Map<string, CameraEnd[]>();
  for (const camera of cameras)
    for (const id of ways.get(camera.cameraId)?.linkIds ?? []) putUnder(over, id, camera);
  return over;
}

const remedyOf = ({ label }: Load): string =>
  label === 'airtime'
    ? 'A second radio on a channel of its own for some of them, or streams of fewer Mb/s.'
    : 'Hang some of its cameras on another device, or plan a larger one.';

function tooMuch(
  topology: Topology,
  devices: readonly DeviceLoad[],
  links: readonly LinkLoad[],
  ways: ReadonlyMap<string, CameraWay>,
): TopologyFinding[] {
  const nameOf = new Map([...topology.devices, ...topology.links].map(({ id, name }) => [id, name]));
  const deviceOf = new Map(topology.devices.map((device) => [device.id, device]));
  const hanging = groupBy(topology.cameras, ({ deviceId }) => deviceId);
  const over = camerasOver(topology, ways);
  const onDevice = (id: string): CameraEnd[] => hanging.get(id) ?? [];
  const through = (id: string): CameraEnd[] =>
    topology.cameras.filter(({ cameraId }) => ways.get(cameraId)?.deviceIds.includes(id));
  const onLink = (id: string): CameraEnd[] => over.get(id) ?? [];
  return [
    ...devices.flatMap(({ deviceId, loads }) =>
      loads
        .filter(({ status }) => status === 'fails')
        .map((load): TopologyFinding => ({
          kind: 'past-limit',
          message: pastLimit(nameOf.get(deviceId)!, load),
          remedy: remedyOf(load),
          cameraNumbers: numbersOf(load.label === 'airtime' ? through(deviceId) : onDevice(deviceId)),
        })),
    ),
    ...links
      .filter(({ load }) => load.status === 'fails')
      .map(({ linkId, load }): TopologyFinding => {
        const [carries, sent] = [formatQuantity(load.most, 'Mb/s'), formatQuantity(load.used, 'Mb/s')];
        const who = counted(onLink(linkId).length, 'camera');
        return {
          kind: 'past-limit',
          message: `${load.label} carries ${carries} with room to spare; ${who} send ${sent} over it.`,
          remedy: 'A faster link, or streams of fewer Mb/s.',
          cameraNumbers: numbersOf(onLink(linkId)),
        };
      }),
    ...topology.cameras.flatMap(({ number, deviceId, watts }): TopologyFinding[] => {
      const device = deviceId === null ? undefined : deviceOf.get(deviceId);
      if (device?.poeWatts === 0 && watts > 0)
        return [
          {
            kind: 'no-power',
            message: `${device.name} gives no power; camera ${number} asks ${formatQuantity(watts, 'W')} of its port.`,
            remedy: 'A switch that gives power, or power for the camera at its place.',
            cameraNumbers: [number],
          },
        ];
      return device && watts > device.portWatts
        ? [
            {
              kind: 'past-limit',
              message: `A port of ${device.name} gives ${formatQuantity(device.portWatts, 'W')}; camera ${number} asks ${formatQuantity(watts, 'W')} of it.`,
              remedy: 'A switch with stronger ports, or power for the camera at its place.',
              cameraNumbers: [number],
            },
          ]
        : [];
    }),
  ];
}

/** Gear that is to come where there is no mains for it. What is there already is fed somehow. */
function withoutMains(site: Site, { devices, cameras }: Topology): TopologyFinding[] {
  const dead = devices.filter(
    ({ standing, placeId }) => standing === 'planned' && !site.place[placeId]!.mains,
  );
  const hanging = new Map(dead.map(({ id }): [string, CameraEnd[]] => [id, []]));
  for (const camera of cameras) if (camera.deviceId !== null) hanging.get(camera.deviceId)?.push(camera);
  return dead.map(({ id, name, placeId }) => ({
    kind: 'no-power',
    message: `There is no mains at ${site.place[placeId]!.name} for ${name}.`,
    remedy: 'An outlet there, by a licensed person, or gear that is fed over its cable.',
    cameraNumbers: numbersOf(hanging.get(id)!),
  }));
}

/** What is wrong with a network, the missing ways first. */
export function topologyFindings(
  site: Site,
  topology: Topology,
  ways: ReadonlyMap<string, CameraWay>,
  loads: { devices: readonly DeviceLoad[]; links: readonly LinkLoad[] },
): TopologyFinding[] {
  return [
    ...withoutWay(site, topology, ways),
    ...alone(topology),
    ...unplaced(topology),
    ...tooMuch(topology, loads.devices, loads.links, ways),
    ...withoutMains(site, topology),
    ...leadsTooLong(site, topology),
    ...linksTooLong(site, topology, ways),
    ...unnotedAir(topology),
    ...lostPins(site, topology),
    ...coaxesTaken(topology),
    ...loops(topology),
  ];
}
