import type { Link, Site } from '#core/model/site';
import { categoryChannel, fibreReachM, longestChannelM } from '#core/physics/signal';
import { formatQuantity } from '#core/shared/units';
import { numbersOf } from './numbersOf';
import type { CameraWay, Topology, TopologyFinding } from './types';

/** How many metres of an Ethernet channel so much category cable counts as with its cords, where that is too many; else nothing. */
function tooLong(lengthM: number, temperatureC: number): string | null {
  const { channelM } = categoryChannel([{ cable: 'pair-cat6', lengthM, temperatureC }]);
  return channelM <= longestChannelM
    ? null
    : `is ${formatQuantity(lengthM, 'm')}: with its cords, at ${formatQuantity(temperatureC, '°C', 0)}, that counts as ${formatQuantity(channelM, 'm', 0)} of at most ${formatQuantity(longestChannelM, 'm', 0)}.`;
}

/** Leads of cameras of the network that are longer than an Ethernet channel, as warm as it is there. */
export const leadsTooLong = (site: Site, { cameras }: Topology): TopologyFinding[] =>
  cameras.flatMap(({ runId, medium, lengthM, number, placeId }): TopologyFinding[] => {
    if (runId !== null || medium !== 'category') return [];
    const why = tooLong(lengthM, site.place[placeId]!.temperatureC);
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

/** The grade that reaches least, which a fibre may be of as long as nobody has read its jacket. */
const poorestGrade = 'om1';

interface TooLong {
  why: string;
  remedy: string;
}

/** Why a link between places is longer than what it runs over allows, as warm as at its warmer end; nothing where it is not. */
function linkTooLong({ place }: Pick<Site, 'place'>, link: Link): TooLong | null {
  const { medium, lengthM, carriesMbps, fibreGrade, state } = link;
  const [length, rate] = [formatQuantity(lengthM, 'm'), formatQuantity(carriesMbps, 'Mb/s')];
  if (medium === 'category') {
    const ends = [link.fromPlaceId, link.toPlaceId].map((id) => place[id]!.temperatureC);
    const why = tooLong(lengthM, Math.max(...ends));
    const elsewise = 'Fibre, or a switch on the way.';
    const first = 'Read the frames that arrive damaged at its ports before anything more hangs on it.';
    return why === null ? null : { why, remedy: state === 'planned' ? elsewise : `${first} ${elsewise}` };
  }
  if (medium !== 'fibre') return null;
  const reachM = fibreReachM(fibreGrade ?? poorestGrade, carriesMbps);
  if (lengthM <= reachM) return null;
  const reach = formatQuantity(reachM, 'm', 0);
  if (fibreGrade !== undefined)
    return {
      why: `is ${length} of ${fibreGrade.toUpperCase()}: ${rate} reach ${reach} over that.`,
      remedy: 'Single mode and its converters, or a slower pair of them.',
    };
  // What is still to be laid is of whatever grade is bought.
  return state === 'planned'
    ? null
    : {
        why: `is ${length} of fibre whose grade nobody has noted: ${rate} reach ${reach} over ${poorestGrade.toUpperCase()}.`,
        remedy: 'Read its jacket, and note the grade.',
      };
}

/** Links between places that are longer than what they run over allows; what options lay has margins of its own. */
export function linksTooLong(
  site: Site,
  { links, cameras }: Topology,
  ways: ReadonlyMap<string, CameraWay>,
): TopologyFinding[] {
  return links.flatMap(({ id, name }): TopologyFinding[] => {
    const link = site.link[id];
    const found = link ? linkTooLong(site, link) : null;
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
