import { choices } from '#core/model/labels';
import type { Site } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import { mediumWords } from './mediumWords';
import type { CameraEnd, Device, Topology, TopologyLink } from './types';
import { waysOf } from './ways';

/** A camera on the sheet of a part: one that hangs there itself, or whose picture comes through. */
export interface SheetCamera {
  cameraId: string;
  number: number;
  name: string;
  /** How it hangs there, or where it hangs. */
  how: string;
  mbps: number;
  /** What it takes of the part's own ports by night; nothing of one that comes through. */
  watts: number;
}

/** Everything of one device or link of the network, on one sheet. */
export interface PartSheet {
  name: string;
  /** What it is, where, and whether it is there. */
  about: string;
  facts: { label: string; value: string }[];
  cameras: SheetCamera[];
  /** Of all of them. */
  mbps: number;
  watts: number;
  /** Links that end at a device. */
  links: { id: string; name: string }[];
}

export type NetworkPart = { kind: 'device' | 'link'; id: string };

const standingWords = { there: 'there', planned: 'planned' } as const;

const deviceWords = ({ kind, isLongReach }: Device): string => {
  if (kind === 'recorder') return 'Recorder';
  if (kind === 'field-switch') return 'Switch at the cameras';
  const { label } = choices.gear.find(({ value }) => value === kind)!;
  return isLongReach ? `${label}, long reach` : label;
};

/** What is noted of a device that is there or to be bought: its address, its place in a rack, what feeds it. */
function factsOf(site: Site, { id, ports, poeWatts, taken }: Device): PartSheet['facts'] {
  const gear = site.equipment[id];
  const recorder = site.recorder[id];
  const { rackId, rackUnits, rackFrom, fedById, mainsWatts } = (gear ?? recorder)?.hookUp ?? {};
  const feeder = fedById === undefined ? undefined : site.equipment[fedById];
  const rack = rackId === undefined ? undefined : site.equipment[rackId];
  const address = gear?.address ?? recorder?.network?.address;
  const from = rackFrom === undefined ? '' : ` from unit ${rackFrom}`;
  return [
    ...(ports === null ? [] : [{ label: 'Ports', value: String(ports) }]),
    ...(poeWatts > 0 ? [{ label: 'Gives', value: formatQuantity(poeWatts, 'W') }] : []),
    ...(taken.ports + taken.watts > 0
      ? [{ label: 'Others take', value: `${taken.ports} ports, ${formatQuantity(taken.watts, 'W')}` }]
      : []),
    ...(address ? [{ label: 'Address', value: address }] : []),
    ...(rack ? [{ label: 'In', value: `${rack.name}, ${rackUnits ?? '?'} U${from}` }] : []),
    ...(feeder
      ? [
          {
            label: 'Fed by',
            value: `${feeder.name}${mainsWatts === undefined ? '' : `, ${formatQuantity(mainsWatts, 'W')}`}`,
          },
        ]
      : []),
  ];
}

const byNumber = (a: SheetCamera, b: SheetCamera): number => a.number - b.number;

/** A camera as it hangs on the part, or where it hangs beyond it. */
function sheetCamera(
  end: CameraEnd,
  isOwn: boolean,
  nameOf: (deviceId: string | null) => string,
): SheetCamera {
  const { cameraId, number, name, medium, lengthM, mbps, nightWatts, watts } = end;
  const way = lengthM > 0 ? `, ${formatQuantity(lengthM, 'm')}` : '';
  return {
    cameraId,
    number,
    name,
    how: isOwn ? `${mediumWords[medium]}${way}` : `on ${nameOf(end.deviceId)}`,
    mbps,
    watts: isOwn ? (nightWatts ?? watts) : 0,
  };
}

function linkFacts({ lengthM, carriesMbps }: TopologyLink): PartSheet['facts'] {
  return [
    ...(lengthM > 0 ? [{ label: 'Length', value: formatQuantity(lengthM, 'm') }] : []),
    { label: 'Carries', value: formatQuantity(carriesMbps, 'Mb/s') },
  ];
}

/** The sheet of a device or a link at the moment that the topology is of; `null` where it is not there then. */
export function partSheet(site: Site, topology: Topology, { kind, id }: NetworkPart): PartSheet | null {
  const { devices, links, cameras } = topology;
  const deviceOf = new Map(devices.map((one) => [one.id, one]));
  const nameOf = (deviceId: string | null): string => deviceOf.get(deviceId ?? '')?.name ?? 'no device';
  const ways = waysOf(topology);
  const through = new Set(
    [...ways.values()]
      .filter((way) => (kind === 'device' ? way.deviceIds : way.linkIds).includes(id))
      .map((way) => way.cameraId),
  );
  const isOwn = ({ deviceId }: CameraEnd): boolean => kind === 'device' && deviceId === id;
  const listed = cameras
    .filter((end) => isOwn(end) || through.has(end.cameraId))
    .map((end) => sheetCamera(end, isOwn(end), nameOf))
    .sort(byNumber);
  const sumOf = (amount: (one: SheetCamera) => number): number =>
    listed.reduce((sum, one) => sum + amount(one), 0);
  const onIt = {
    cameras: listed,
    mbps: sumOf(({ mbps }) => mbps),
    watts: sumOf(({ watts }) => watts),
  };
  if (kind === 'link') {
    const link = links.find((one) => one.id === id);
    return link
      ? {
          name: link.name,
          about: `${mediumWords[link.medium]}, ${standingWords[link.standing]}`,
          facts: [
            { label: 'From', value: nameOf(link.fromId) },
            { label: 'To', value: nameOf(link.toId) },
            ...linkFacts(link),
          ],
          ...onIt,
          links: [],
        }
      : null;
  }
  const device = deviceOf.get(id);
  return device
    ? {
        name: device.name,
        about: `${deviceWords(device)} at ${site.place[device.placeId]?.name ?? device.placeId}, ${standingWords[device.standing]}`,
        facts: factsOf(site, device),
        ...onIt,
        links: links
          .filter(({ fromId, toId }) => fromId === id || toId === id)
          .map((one) => ({ id: one.id, name: one.name })),
      }
    : null;
}
