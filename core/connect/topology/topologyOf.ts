import type { Total } from '#core/decide/options';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Site } from '#core/model/site';
import { hangingAtEnd } from './atEnd';
import { networkEnd, runEnd } from './cameraEnds';
import { devicesNoted } from './devicesOf';
import { camerasNow, isMoved, networkCamerasAt, type Moment } from './moment';
import { coresOf, patchesOf, trunksOf } from './patches';
import type { SharedWay } from './sharedWays';
import type { Device, Topology, TopologyLink } from './types';

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

/** Network and inputs of a site as they hang together at a moment, from recorders to cameras. */
export function topologyOf(
  site: Site,
  runs: readonly RunEvaluation[],
  total: Pick<Total, 'shared'>,
  moment: Moment,
): Topology {
  const isToday = moment.kind === 'today';
  const { units, ways, meeting, fieldSwitches, attached } = hangingAtEnd(site, runs, total);
  const hasBegun = ({ cameraIds }: SharedWay): boolean => cameraIds.some((id) => isMoved(moment, id));
  const begun = meeting.filter(hasBegun);
  const devices = [
    ...devicesNoted(site, moment.kind === 'after'),
    ...units,
    ...begun.flatMap(({ key }) => fieldSwitches.chainOf.get(key) ?? []),
  ].filter(({ standing }) => !isToday || standing === 'there');
  const deviceOf = new Map(devices.map((device) => [device.id, device]));
  const cores = coresOf(devices);
  const wayLinks = begun.flatMap((way): TopologyLink[] => {
    const from = attached.get(way.key);
    const into =
      way.intoPlaceId === undefined ? fieldSwitches.chainOf.get(way.key)![0] : cores.get(way.intoPlaceId);
    return from && into && from.id !== into.id ? [linkOfWay(way, from, into)] : [];
  });
  const wayOfCamera = new Map(ways.flatMap((way) => way.cameraIds.map((id) => [id, way] as const)));
  const hanging = { attached, wayOfCamera, fieldSwitchOf: fieldSwitches.of };
  return {
    devices,
    links: [
      ...patchesOf(devices, cores, attached),
      ...trunksOf(site, devices, cores, !isToday),
      ...wayLinks,
      ...fieldSwitches.links.filter(({ toId }) => deviceOf.has(toId)),
    ],
    cameras: [
      ...camerasNow(runs, moment).map((one) => runEnd(site, one, hanging)),
      ...networkCamerasAt(site, moment).map((one) => networkEnd(site, one, deviceOf, moment)),
    ].sort((a, b) => a.number - b.number),
  };
}
