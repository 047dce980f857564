import type { Link, Site } from '#core/model/site';
import { categoryTooFar, longerThanChannel } from './categoryLength';
import { fibreTooFar } from './fibreLength';
import { numbersOf } from './numbersOf';
import type { CameraWay, TooFar, Topology, TopologyFinding } from './types';

/** Leads of cameras of the network that are longer than an Ethernet channel, as warm as it is there. */
export const leadsTooLong = (site: Site, { cameras }: Topology): TopologyFinding[] =>
  cameras.flatMap(({ runId, medium, lengthM, number, placeId }): TopologyFinding[] => {
    if (runId !== null || medium !== 'category') return [];
    const why = longerThanChannel(lengthM, site.place[placeId]!.temperatureC);
    if (why === null) return [];
    return [
      {
        kind: 'too-long',
        message: `The lead of camera ${number} ${why}`,
        remedy: 'A switch nearer to it, or fibre.',
        cameraNumbers: [number],
      },
    ];
  });

/** Why a link between places is longer than what it runs over allows; nothing where it is not. */
function linkTooFar(site: Site, link: Link): TooFar | null {
  if (link.medium === 'category') return categoryTooFar(site, link);
  return link.medium === 'fibre' ? fibreTooFar(site, link) : null;
}

/** Links between places that are longer than what they run over allows; what options lay has margins of its own. */
export function linksTooLong(
  site: Site,
  { links, cameras }: Topology,
  ways: ReadonlyMap<string, CameraWay>,
): TopologyFinding[] {
  return links.flatMap(({ id, name }): TopologyFinding[] => {
    const link = site.link[id];
    const found = link ? linkTooFar(site, link) : null;
    if (!found) return [];
    const over = cameras.filter(({ cameraId }) => ways.get(cameraId)?.linkIds.includes(id));
    return [
      {
        kind: 'too-long',
        message: `${name} ${found.why}`,
        remedy: found.remedy,
        cameraNumbers: numbersOf(over),
      },
    ];
  });
}
