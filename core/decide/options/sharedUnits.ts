import { eachOf, productsOf, type Catalogue } from '#core/model/catalogue';
import type { Gear, Site } from '#core/model/site';
import { poeClasses } from '#core/physics/power';
import type { SharedPort } from './option';

/** So many ports that each give so many watts at least. */
export interface PortLevel {
  watts: number;
  ports: number;
}

/** What cameras ask of the shared equipment of one kind at one place; or what of it there is. */
export interface Wanted {
  ports: number;
  watts: number;
  mbps: number;
  /** Of the Mb/s, what goes through ports that give power. */
  fedMbps: number;
  /** How many of the ports give, or have to give, at least so many watts each. */
  levels: readonly PortLevel[];
}

/** What one port gives where nobody has noted it: class 4. */
export const usualPortWatts = poeClasses[4].sourceWatts;

/** How many of these ports give, or ask for, at least each of so many watts. */
export const levelsOf = (ports: readonly PortLevel[], steps: readonly number[]): PortLevel[] =>
  steps.map((watts) => ({
    watts,
    ports: ports.reduce((sum, one) => sum + (one.watts >= watts ? one.ports : 0), 0),
  }));

/** A size that can be bought. */
export interface UnitSize extends Omit<Wanted, 'levels' | 'fedMbps'> {
  item: string;
  portWatts: number;
  each: number;
  rackUnits: number;
}

/** The sizes on offer. Those without a price are left out where others have one: nobody can weigh them. */
export function unitSizes(catalogue: Catalogue, of: SharedPort['of']): UnitSize[] {
  const all = productsOf(catalogue, of);
  const priced = all.filter((product) => eachOf(product) !== null);
  return (priced.length > 0 ? priced : all).map((product) => ({
    item: product.id,
    each: product.each ?? 0,
    ports: product.ports,
    mbps: product.uplinkMbps,
    rackUnits: product.rackUnits,
    ...(product.kind === 'encoder'
      ? { watts: 0, portWatts: 0 }
      : { watts: product.watts, portWatts: product.portWatts ?? usualPortWatts }),
  }));
}

export type PortGear = Extract<Gear, { kind: 'switch' | 'coax-unit' | 'encoder' }>;

function isPortGear(gear: Gear, of: SharedPort['of']): gear is PortGear {
  if (gear.kind !== 'switch') return gear.kind === of;
  // Ports without power serve ways and leads; nobody builds a long way on those that reach further without feeding it.
  return gear.reach ? of === 'long-reach-switch' && gear.poePorts > 0 : of === 'poe-switch';
}

/** Watts that gear gives: of all its ports, and the most of one. */
export const givenBy = (gear: PortGear): { poeWatts: number; portWatts: number } =>
  gear.kind === 'encoder' || (gear.kind === 'switch' && gear.poePorts === 0)
    ? { poeWatts: 0, portWatts: 0 }
    : { poeWatts: gear.poeWatts, portWatts: gear.portWatts ?? usualPortWatts };

/**
 * Ports that the one recorder of a site has of its own: as a switch that nothing else hangs on. Where there are several, nothing says
 * before slots are given out which of them a camera will be on, and no other sees what hangs on its ports: they are not planned with.
 */
function ownPortsAt({ recorder }: Pick<Site, 'recorder'>, placeId: string): { id: string; gear: PortGear }[] {
  const [only, other] = Object.values(recorder);
  if (!only?.powerPorts || other || only.placeId !== placeId) return [];
  const { ports, watts: poeWatts, portWatts } = only.powerPorts;
  const { incomingMbps: uplinkMbps } = only.limits;
  const one = portWatts === undefined ? {} : { portWatts };
  return [{ id: only.id, gear: { kind: 'switch', ports, poePorts: ports, poeWatts, uplinkMbps, ...one } }];
}

/** Gear with such ports that stands at a place and stays there, or is noted as to buy there. */
export const portGearAt = (
  site: Pick<Site, 'equipment' | 'recorder'>,
  of: SharedPort['of'],
  placeId: string,
): { id: string; gear: PortGear }[] => [
  ...(of === 'poe-switch' ? ownPortsAt(site, placeId) : []),
  ...Object.values(site.equipment).flatMap(({ id, gear, placeId: at, goes }) =>
    at === placeId && !goes && isPortGear(gear, of) ? [{ id, gear }] : [],
  ),
];
