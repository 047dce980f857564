import { eachOf, productsOf, type Catalogue } from '#core/model/catalogue';
import type { Site } from '#core/model/site';
import type { SharedPort } from './option';
import type { Part } from './part';

/** What cameras ask of the shared equipment of one kind at one place. */
export interface Wanted {
  ports: number;
  watts: number;
  mbps: number;
}

/** A size that can be bought, and whole units of several sizes with what they come to. */
export interface UnitSize extends Wanted {
  item: string;
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
  return (priced.length > 0 ? priced : all).map(({ id, each, ports, watts, uplinkMbps, rackUnits }) => ({
    item: id,
    each: each ?? 0,
    ports,
    watts,
    mbps: uplinkMbps,
    rackUnits,
  }));
}

/** Ports that stand at a place already and give power: they cost nothing. */
export function portsThere(
  { equipment }: Pick<Site, 'equipment'>,
  of: SharedPort['of'],
  placeId: string,
): Wanted {
  const there = { ports: 0, watts: 0, mbps: 0 };
  if (of !== 'poe-switch') return there;
  for (const { gear, placeId: at } of Object.values(equipment)) {
    if (at !== placeId || gear.kind !== 'switch' || gear.poePorts === 0) continue;
    there.ports += gear.poePorts;
    there.watts += gear.poeWatts;
    there.mbps += gear.uplinkMbps;
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

const short = (wanted: Wanted, have: Wanted): boolean =>
  wanted.ports > have.ports || wanted.watts > have.watts + 1e-9 || wanted.mbps > have.mbps + 1e-9;

/** How many of a size would serve what is wanted by themselves. */
const enoughOf = (size: UnitSize, { ports, watts, mbps }: Wanted): number =>
  Math.max(
    0,
    Math.ceil(ports / size.ports),
    size.watts > 0 ? Math.ceil(watts / size.watts - 1e-9) : 0,
    Math.ceil(mbps / size.mbps - 1e-9),
  );

/** Every mix of whole units that serves what is wanted and has none too many, cheapest first. */
export function mixes(
  sizes: readonly UnitSize[],
  wanted: Wanted,
  there: Wanted = { ports: 0, watts: 0, mbps: 0 },
): Mix[] {
  if (!short(wanted, there)) return [{ parts: [], cost: 0, rackUnits: 0 }];
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
      const still = {
        ports: left.ports - count * size.ports,
        watts: left.watts - count * size.watts,
        mbps: left.mbps - count * size.mbps,
      };
      if (still.ports <= 0 && still.watts <= 1e-9 && still.mbps <= 1e-9) {
        found.push(next);
        return;
      }
      add(from + 1, still, next);
    }
  };
  add(
    0,
    { ports: wanted.ports - there.ports, watts: wanted.watts - there.watts, mbps: wanted.mbps - there.mbps },
    { parts: [], cost: 0, rackUnits: 0 },
  );
  return found.sort((a, b) => a.cost - b.cost || a.rackUnits - b.rackUnits);
}
