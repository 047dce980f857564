import { eachOf, productsOf, type Catalogue } from '#core/model/catalogue';
import type { Gear, Site } from '#core/model/site';
import { poeClasses } from '#core/physics/power';
import { networkCameraNeeds, type NetworkCameraNeed } from './networkCameras';
import type { SharedPort } from './option';
import type { Part } from './part';

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

const portsAtLeast = (levels: readonly PortLevel[], watts: number): number =>
  levels.reduce((sum, level) => sum + (level.watts >= watts ? level.ports : 0), 0);

/** A size that can be bought, and whole units of several sizes with what they come to. */
export interface UnitSize extends Omit<Wanted, 'levels'> {
  item: string;
  portWatts: number;
  each: number;
  rackUnits: number;
}
export interface Mix {
  parts: Part[];
  cost: number;
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

type PortGear = Extract<Gear, { kind: 'switch' | 'coax-unit' | 'encoder' }>;

function isPortGear(gear: Gear, of: SharedPort['of']): gear is PortGear {
  if (gear.kind !== 'switch') return gear.kind === of;
  return gear.poePorts > 0 && of === (gear.reach ? 'long-reach-switch' : 'poe-switch');
}

/** Watts that gear gives: of all its ports, and the most of one. */
export const givenBy = (gear: PortGear): { poeWatts: number; portWatts: number } =>
  gear.kind === 'encoder'
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

/** Gear with such ports that stands at a place, or is noted as to buy there. */
export const portGearAt = (
  site: Pick<Site, 'equipment' | 'recorder'>,
  of: SharedPort['of'],
  placeId: string,
): { id: string; gear: PortGear }[] => [
  ...(of === 'poe-switch' ? ownPortsAt(site, placeId) : []),
  ...Object.values(site.equipment).flatMap(({ id, gear, placeId: at }) =>
    at === placeId && isPortGear(gear, of) ? [{ id, gear }] : [],
  ),
];

/** What of a switch is taken: by desks and phones as noted, and by cameras of the network that hang on it. */
function takenOf(
  cameras: readonly NetworkCameraNeed[],
  deviceId: string,
  gear: PortGear,
): { ports: number; watts: number; mbps: number } {
  const others = gear.kind === 'switch' ? gear.taken : undefined;
  const taken = { ports: others?.ports ?? 0, watts: others?.watts ?? 0, mbps: 0 };
  for (const { fact, portWatts, signal } of cameras) {
    if (fact.deviceId !== deviceId) continue;
    taken.ports += 1;
    taken.watts += portWatts;
    taken.mbps += signal.mbps;
  }
  return taken;
}

/** Ports that a place has already, less those that others and cameras of the network take. They cost nothing more. */
export function portsThere(
  site: Parameters<typeof networkCameraNeeds>[0] & Pick<Site, 'equipment' | 'recorder'>,
  of: SharedPort['of'],
  placeId: string,
): Wanted {
  const there = { ports: 0, watts: 0, mbps: 0, levels: [] as PortLevel[] };
  const cameras = networkCameraNeeds(site);
  for (const { id, gear } of portGearAt(site, of, placeId)) {
    const taken = takenOf(cameras, id, gear);
    const ports = (gear.kind === 'switch' ? gear.poePorts : gear.ports) - taken.ports;
    if (ports <= 0) continue;
    there.ports += ports;
    const { poeWatts, portWatts } = givenBy(gear);
    there.watts += Math.max(0, poeWatts - taken.watts);
    there.mbps += Math.max(0, gear.uplinkMbps - taken.mbps);
    there.levels.push({ watts: portWatts, ports });
  }
  return there;
}

/** Rack units free at a place; `null` where no rack is noted there, so that nothing is known of its room. */
export function freeRackUnits(
  site: Pick<Site, 'equipment' | 'recorder' | 'supply'>,
  placeId: string,
): number | null {
  const racks = Object.values(site.equipment).flatMap(({ id, placeId: at, gear }) =>
    at === placeId && gear.kind === 'rack' ? [{ id, units: gear.units }] : [],
  );
  if (racks.length === 0) return null;
  const ids = new Set(racks.map(({ id }) => id));
  const mounted = [
    ...Object.values(site.equipment),
    ...Object.values(site.recorder),
    ...Object.values(site.supply),
  ].reduce(
    (sum, { hookUp }) =>
      sum + (hookUp?.rackId !== undefined && ids.has(hookUp.rackId) ? (hookUp.rackUnits ?? 0) : 0),
    0,
  );
  return racks.reduce((sum, { units }) => sum + units, 0) - mounted;
}

/** What is wanted beyond what there is; nothing of it is negative but what is there in plenty. */
const beyond = (wanted: Wanted, have: Wanted): Wanted => ({
  ports: wanted.ports - have.ports,
  watts: wanted.watts - have.watts,
  mbps: wanted.mbps - have.mbps,
  levels: wanted.levels.map(({ watts, ports }) => ({
    watts,
    ports: ports - portsAtLeast(have.levels, watts),
  })),
});

const isMet = ({ ports, watts, mbps, levels }: Wanted): boolean =>
  ports <= 0 && watts <= 1e-9 && mbps <= 1e-9 && levels.every((level) => level.ports <= 0);

const unitsOf = ({ ports, watts, mbps, portWatts }: UnitSize, count: number): Wanted => ({
  ports: count * ports,
  watts: count * watts,
  mbps: count * mbps,
  levels: [{ watts: portWatts, ports: count * ports }],
});

/** How many of a size would serve what is wanted by themselves, as far as its ports are strong enough. */
const enoughOf = (size: UnitSize, { ports, watts, mbps, levels }: Wanted): number =>
  Math.max(
    0,
    Math.ceil(ports / size.ports),
    size.watts > 0 ? Math.ceil(watts / size.watts - 1e-9) : 0,
    Math.ceil(mbps / size.mbps - 1e-9),
    ...levels.map((level) => (level.watts <= size.portWatts ? Math.ceil(level.ports / size.ports) : 0)),
  );

const nothingThere: Wanted = { ports: 0, watts: 0, mbps: 0, levels: [] };

/** Every mix of whole units that serves what is wanted and has none too many, cheapest first. */
export function mixes(sizes: readonly UnitSize[], wanted: Wanted, there: Wanted = nothingThere): Mix[] {
  const missing = beyond(wanted, there);
  if (isMet(missing)) return [{ parts: [], cost: 0, rackUnits: 0 }];
  const found: Mix[] = [];
  const add = (from: number, left: Wanted, mix: Mix): void => {
    const size = sizes[from];
    if (!size) return;
    const most = enoughOf(size, left);
    for (let count = 0; count <= most; count += 1) {
      const parts = count > 0 ? [...mix.parts, { item: size.item, count }] : mix.parts;
      const next = {
        parts,
        cost: mix.cost + count * size.each,
        rackUnits: mix.rackUnits + count * size.rackUnits,
      };
      const still = beyond(left, unitsOf(size, count));
      if (isMet(still)) {
        found.push(next);
        return;
      }
      add(from + 1, still, next);
    }
  };
  add(0, missing, { parts: [], cost: 0, rackUnits: 0 });
  return found.sort((a, b) => a.cost - b.cost || a.rackUnits - b.rackUnits);
}
