import type { Load } from '#core/shared/derivation';
import { loadWithRoom } from './linkRoom';
import type { Topology, TopologyLink } from './types';

/** One of the ways that a radio takes turns for: what goes over it, of what it would carry alone. */
export interface AirShare {
  link: TopologyLink;
  mbps: number;
  percent: number;
}

/**
 * Radio links by the radio that serves more than one of them: one that passes on to the next, or one that several others look at. Links
 * that end at a switch or a recorder have a radio of their own there which nobody noted.
 */
export function sharedRadios({
  devices,
  links,
}: Pick<Topology, 'devices' | 'links'>): ReadonlyMap<string, TopologyLink[]> {
  const ends = new Map(
    devices.filter(({ kind }) => kind === 'link-end').map(({ id }) => [id, [] as TopologyLink[]]),
  );
  for (const link of links)
    if (link.medium === 'radio') for (const id of [link.fromId, link.toId]) ends.get(id)?.push(link);
  return new Map([...ends].filter(([, served]) => served.length > 1));
}

/** How much of a radio’s time each of its links takes: it sends and hears one of them at a time, so what it passes on counts twice. */
export const airShares = (
  served: readonly TopologyLink[],
  mbpsOver: (linkId: string) => number,
): AirShare[] =>
  served.map((link) => {
    const mbps = mbpsOver(link.id);
    return { link, mbps, percent: (100 * mbps) / link.carriesMbps };
  });

/** The time of a radio that its links take together, in %, against what is planned with and used at most. */
export const airtimeLoad = (shares: readonly AirShare[]): Load =>
  loadWithRoom(
    'airtime',
    shares.reduce((sum, { percent }) => sum + percent, 0),
    100,
    '%',
  );
