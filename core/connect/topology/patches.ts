import { joiningRank } from '#core/decide/options';
import type { LinkEnd, Site } from '#core/model/site';
import { groupBy } from '#core/shared/grouping';
import type { PortNeed } from './attach';
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

/** The lead of a device to the one that it hangs on. */
export function patchLead(device: Device, core: Device): TopologyLink {
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

/** The name under which the lead of a device asks for a port. */
export const leadKey = ({ id }: Device): string => `lead of ${id}`;

const isBought = ({ kind, isOfPlan }: Device): boolean => kind === 'switch' && isOfPlan === true;

/**
 * What leads ask of switches of one kind that are bought together: they were bought for their ports together, so gear hangs on
 * whichever has one left. Nobody knows how gear that is there would be patched otherwise: where that joins a place, everything hangs on it.
 */
export function leadNeeds(devices: readonly Device[], cores: ReadonlyMap<string, Device>): PortNeed[] {
  return [...groupBy(devices, ({ placeId }) => placeId)].flatMap(([placeId, here]) => {
    const core = cores.get(placeId)!;
    if (!isBought(core)) return [];
    const isAlike = (device: Device): boolean => isBought(device) && device.isLongReach === core.isLongReach;
    const candidates = [core, ...here.filter((device) => isAlike(device) && device.id !== core.id)];
    const gear = here.filter((device) => !isAlike(device) && device.kind !== 'field-switch');
    // The first is on the port of the core that leads on.
    return gear.slice(1).map((device) => ({
      key: leadKey(device),
      number: Number.MAX_SAFE_INTEGER,
      watts: 0,
      mbps: 0,
      candidates,
    }));
  });
}

/**
 * Patch leads inside places: everything to the one device that joins it, or to the bought switch that has a port for it. A field switch
 * hangs on the way to its place alone.
 */
export function patchesOf(
  devices: readonly Device[],
  cores: ReadonlyMap<string, Device>,
  attached: ReadonlyMap<string, Device> = new Map(),
): TopologyLink[] {
  return devices.flatMap((device): TopologyLink[] => {
    const core = cores.get(device.placeId)!;
    if (core.id === device.id || device.kind === 'field-switch' || core.kind === 'field-switch') return [];
    const at = isBought(core) ? (attached.get(leadKey(device)) ?? core) : core;
    return [patchLead(device, at)];
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
