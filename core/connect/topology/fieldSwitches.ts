import { fieldSwitchesFor, fieldSwitchPorts } from '#core/decide/options';
import type { Site } from '#core/model/site';
import { fieldSwitchDevice } from './devicesOf';
import { patchLead } from './patches';
import type { SharedWay } from './sharedWays';
import type { Device, TopologyLink } from './types';

/** Switches on which cameras meet that share a way. */
export interface FieldSwitches {
  devices: Device[];
  /** Leads from one to the next. */
  links: TopologyLink[];
  /** Those of a way by its key, the one that it leads to first. */
  chainOf: ReadonlyMap<string, readonly Device[]>;
  /** The one that each camera hangs on. */
  of: ReadonlyMap<string, Device>;
}

interface Chain {
  way: SharedWay;
  devices: Device[];
}

/** The switches of each way, numbered through where a place has several. Ways come in one order, whoever is on them. */
function chainsOf(site: Pick<Site, 'place'>, ways: readonly SharedWay[]): Chain[] {
  const inOrder = [...ways].sort((a, b) => (a.key < b.key ? -1 : 1));
  const countOf = ({ cameraIds }: SharedWay): number => Math.max(1, fieldSwitchesFor(cameraIds.length));
  const counts = new Map<string, number>();
  for (const way of inOrder) counts.set(way.placeId, (counts.get(way.placeId) ?? 0) + countOf(way));
  const numbered = new Map<string, number>();
  return inOrder.map((way) => {
    const { placeId, fromPlaceId, medium } = way;
    const at = site.place[placeId]?.name ?? placeId;
    const devices = Array.from({ length: countOf(way) }, (_, index): Device => {
      const number = (numbered.get(placeId) ?? 0) + 1;
      numbered.set(placeId, number);
      return fieldSwitchDevice(
        ['field-switch', placeId, fromPlaceId, medium, ...(index > 0 ? [index + 1] : [])].join('.'),
        `Field switch${counts.get(placeId)! > 1 ? ` ${number}` : ''}, ${at}`,
        placeId,
      );
    });
    return { way, devices };
  });
}

/** Field switches at the end of these ways. Each but the last of a way leaves a port for the next. */
export function fieldSwitchesAt(site: Pick<Site, 'place'>, ways: readonly SharedWay[]): FieldSwitches {
  const chains = chainsOf(site, ways);
  const on = ({ devices }: Chain, index: number): Device =>
    devices[Math.min(devices.length - 1, Math.floor(index / (fieldSwitchPorts - 1)))]!;
  return {
    devices: chains.flatMap(({ devices }) => devices),
    links: chains.flatMap(({ devices }) =>
      devices.slice(1).map((far, index) => patchLead(far, devices[index]!)),
    ),
    chainOf: new Map(chains.map(({ way, devices }) => [way.key, devices])),
    of: new Map(
      chains.flatMap((chain) => chain.way.cameraIds.map((id, index) => [id, on(chain, index)] as const)),
    ),
  };
}
