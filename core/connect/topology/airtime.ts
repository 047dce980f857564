import { worst, type Load } from '#core/shared/derivation';
import { loadWithRoom } from './linkRoom';
import type { CameraEnd, Device, Topology, TopologyLink } from './types';

/** One of those that a radio takes turns for: what it sends, of what it would carry alone. */
export interface AirShare {
  name: string;
  mbps: number;
  percent: number;
  /** Whether somebody has said what it carries; else what the radio itself does counts, which is the most. */
  isNoted: boolean;
}

/** What a radio takes turns for: its links, and cameras that come to it by a radio of their own. */
export interface ServedByRadio {
  radio: Device;
  links: TopologyLink[];
  cameras: CameraEnd[];
}

/**
 * Radios with what they serve, where that is more than one link, which says all of itself: one that passes on to the next, one that
 * several others look at, an access point with cameras. Links that end at a switch or a recorder have a radio of their own there which
 * nobody noted.
 */
export function sharedRadios({ devices, links, cameras }: Topology): ReadonlyMap<string, ServedByRadio> {
  const served = new Map(
    devices
      .filter(({ kind }) => kind === 'link-end')
      .map((radio): [string, ServedByRadio] => [radio.id, { radio, links: [], cameras: [] }]),
  );
  for (const link of links)
    if (link.medium === 'radio') for (const id of [link.fromId, link.toId]) served.get(id)?.links.push(link);
  for (const camera of cameras)
    if (camera.medium === 'radio' && camera.deviceId !== null)
      served.get(camera.deviceId)?.cameras.push(camera);
  return new Map([...served].filter(([, one]) => one.links.length > 1 || one.cameras.length > 0));
}

const shareOf = (name: string, mbps: number, carriesMbps: number, isNoted: boolean): AirShare => ({
  name,
  mbps,
  percent: (100 * mbps) / carriesMbps,
  isNoted,
});

/** How much of a radio’s time each of them takes: it sends and hears one of them at a time, so what it passes on counts twice. */
export const airShares = (
  { radio, links, cameras }: ServedByRadio,
  mbpsOver: (linkId: string) => number,
): AirShare[] => [
  ...links.map(({ id, name, carriesMbps }) => shareOf(name, mbpsOver(id), carriesMbps, true)),
  ...cameras.map(({ number, mbps, airMbps }) =>
    shareOf(`camera ${number}`, mbps, airMbps ?? radio.uplinkMbps, airMbps !== undefined),
  ),
];

/** The time of a radio that all of them take together, in %, against what is planned with and used at most. */
export function airtimeLoad(shares: readonly AirShare[]): Load {
  const used = shares.reduce((sum, { percent }) => sum + percent, 0);
  const load = loadWithRoom('airtime', used, 100, '%');
  // A camera far out may carry less than its access point does: it does not simply hold before somebody has looked.
  return shares.every(({ isNoted }) => isNoted) ? load : { ...load, status: worst([load.status, 'close']) };
}
