import { joiningRank } from '#core/decide/options';
import type { LinkEnd, Site } from '#core/model/site';
import { groupBy } from '#core/shared/grouping';
import type { Device, DeviceKind, TopologyLink } from './types';

/** What joins the gear of a place, the best first. A recorder joins nothing but itself. */
const joining: readonly DeviceKind[] = [
  'switch',
  'field-switch',
  'coax-unit',
  'router',
  'link-end',
  'encoder',
  'injector',
  'recorder',
];

const rank = ({ kind, standing, isOfPlan, isLongReach, poeWatts, portWatts }: Device): number =>
  joining.indexOf(kind) * 100_000 +
  joiningRank({
    isOfPlan: isOfPlan === true,
    isToBuy: standing === 'planned',
    isLongReach: isLongReach === true,
    poeWatts,
    portWatts,
  });

/** The device of each place that its others are patched to. */
export function coresOf(devices: readonly Device[]): Map<string, Device> {
  const cores = new Map<string, Device>();
  for (const device of [...devices].sort((a, b) => rank(a) - rank(b) || (a.id < b.id ? -1 : 1)))
    if (!cores.has(device.placeId)) cores.set(device.placeId, device);
  return cores;
}

const isPlanned = (...devices: Device[]): boolean => devices.some(({ standing }) => standing === 'planned');

function patchLead(device: Device, core: Device): TopologyLink {
  const [near, far] = device.kind === 'recorder' ? [device, core] : [core, device];
  return {
    id: `patch-${device.id}`,
    name: `${near.name} to ${far.name}`,
    fromId: near.id,
    toId: far.id,
    medium: 'patch',
    lengthM: 0,
    carriesMbps: Math.min(near.uplinkMbps, far.uplinkMbps),
    standing: isPlanned(near, far) ? 'planned' : 'there',
  };
}

/**
 * Leads of one place to the switch that joins it. Where that is bought with others, they were bought for their ports together: what has
 * none left on it hangs on the next, as those hang on each other. Nobody knows how gear that is there would be patched otherwise.
 */
function patchesAt(core: Device, others: readonly Device[]): TopologyLink[] {
  const isBought = (device: Device): boolean => device.kind === 'switch' && device.isOfPlan === true;
  if (!isBought(core)) return others.map((device) => patchLead(device, core));
  const switches = others.filter(isBought);
  const gear = others.filter((device) => !isBought(device));
  const joined = [{ device: core, free: core.ports ?? Infinity }];
  return [...switches, ...gear].map((device) => {
    const at = joined.find(({ free }) => free > 0) ?? joined[0]!;
    at.free -= 1;
    if (isBought(device)) joined.push({ device, free: device.ports ?? Infinity });
    return patchLead(device, at.device);
  });
}

/** Patch leads inside places: everything to what joins it. A field switch hangs on the way to its place alone. */
export function patchesOf(devices: readonly Device[], cores: ReadonlyMap<string, Device>): TopologyLink[] {
  const patched = devices.filter(({ kind }) => kind !== 'field-switch');
  return [...groupBy(patched, ({ placeId }) => placeId)].flatMap(([placeId, here]) => {
    const core = cores.get(placeId)!;
    if (core.kind === 'field-switch') return [];
    return patchesAt(
      core,
      here.filter(({ id }) => id !== core.id),
    );
  });
}

/** Links between places, from what each end is noted to be in, or from the device that joins its place. */
export function trunksOf(
  site: Pick<Site, 'link'>,
  devices: readonly Device[],
  cores: ReadonlyMap<string, Device>,
  withPlanned: boolean,
): TopologyLink[] {
  const deviceOf = new Map(devices.map((device) => [device.id, device]));
  const inEnd = (end: LinkEnd | undefined, placeId: string): Device | undefined =>
    (end && deviceOf.get(end.deviceId)) ?? cores.get(placeId);
  return Object.values(site.link).flatMap((link): TopologyLink[] => {
    const { id, name, fromPlaceId, toPlaceId, medium, lengthM, carriesMbps, state } = link;
    const [from, to] = [inEnd(link.fromEnd, fromPlaceId), inEnd(link.toEnd, toPlaceId)];
    if (!from || !to || (state === 'planned' && !withPlanned)) return [];
    return [{ id, name, fromId: from.id, toId: to.id, medium, lengthM, carriesMbps, standing: state }];
  });
}
