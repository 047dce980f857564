import { catalogueOf, productOf, type Catalogue } from '#core/model/catalogue';
import type { Site } from '#core/model/site';
import { partsCostOf } from './build';
import { isIp, type FeasibleOption, type SharedPort } from './option';
import type { Part } from './part';
import { plannedNetwork, type PlannedSite } from './plannedNetwork';
import { unitCostOf, unitsFor, type SharedThing, type UnitCost } from './sharing';
import { freeRackUnits, levelsOf, mixes, portsThere, unitSizes, type Mix, type Wanted } from './sharedUnits';

export interface SharedEquipment extends Wanted {
  of: SharedPort['of'];
  placeId: string;
  parts: Part[];
  cost: number;
}

export interface Total {
  cost: number;
  /** Of the cost, what people are paid. */
  labourCost: number;
  hours: number;
  darkHours: number;
  parts: Part[];
  shared: SharedEquipment[];
  /** Recorders that are to be bought, by row of the catalogue and place. */
  recorders: { productId: string; placeId: string; count: number }[];
  /** What is due again within so many years, beside the cost now. */
  renewCost: number;
  newCableM: number;
  /** What of it is for planned gear, links and new views, whatever is chosen. */
  network: { cost: number; hours: number; darkHours: number };
  ipCameras: number;
  /** Places where the new equipment finds no room in the rack that is noted there. */
  noRoomAt: string[];
}

/** What a plan buys beside what its options imply. */
export type Buys = readonly { productId: string; placeId: string; count: number }[];

function mergeParts(parts: readonly Part[]): Part[] {
  const counts = new Map<string, number>();
  for (const { item, count } of parts) counts.set(item, (counts.get(item) ?? 0) + count);
  return [...counts].map(([item, count]) => ({ item, count }));
}

/** Recorders noted on the site that are not there yet. */
export function recordersToBuy({ recorder }: Pick<Site, 'recorder'>): Total['recorders'] {
  const buys = new Map<string, Total['recorders'][number]>();
  for (const { toBuy, placeId } of Object.values(recorder)) {
    if (toBuy === undefined) continue;
    const key = `${toBuy} ${placeId}`;
    buys.set(key, { productId: toBuy, placeId, count: (buys.get(key)?.count ?? 0) + 1 });
  }
  return [...buys.values()];
}

/** What is due within so many years: the first successor when a life ends, and then one after the other as each one's own ends. */
export const renewalsOf = (
  {
    lifeYears,
    renewCost,
    successorYears,
  }: Pick<FeasibleOption, 'lifeYears' | 'renewCost' | 'successorYears'>,
  years: number,
): number => Math.max(0, Math.ceil((years - lifeYears) / successorYears)) * renewCost;

type Group = Wanted & { of: SharedPort['of']; placeId: string };

/** A port that is taken, or what is sent through one that is taken already. */
type Taken = SharedPort & { ports: 0 | 1 };

/** Every port that options take: each camera's own, and one for each thing that several share. */
function portsTaken(chosen: readonly FeasibleOption[]): Taken[] {
  const seen = new Set<string>();
  return chosen.flatMap(({ shared, sharing }): Taken[] => [
    ...(shared ? [{ ...shared, ports: 1 as const }] : []),
    ...sharing.flatMap(({ key, port }): Taken[] => {
      if (!port) return [];
      const isFirst = !seen.has(key);
      seen.add(key);
      return [{ ...port, of: 'poe-switch', sourceWatts: 0, ports: isFirst ? 1 : 0 }];
    }),
  ]);
}

function groupsOf(chosen: readonly FeasibleOption[]): Group[] {
  const groups = new Map<string, Taken[]>();
  for (const taken of portsTaken(chosen)) {
    const key = `${taken.of} ${taken.placeId}`;
    groups.set(key, [...(groups.get(key) ?? []), taken]);
  }
  return [...groups.values()].map((takers): Group => {
    const { of, placeId } = takers[0]!;
    const sum = (amount: (taken: Taken) => number): number =>
      takers.reduce((all, taken) => all + amount(taken), 0);
    return {
      of,
      placeId,
      ports: sum(({ ports }) => ports),
      watts: sum(({ sourceWatts }) => sourceWatts),
      mbps: sum(({ mbps }) => mbps),
      levels: levelsOf(
        takers.map(({ sourceWatts, ports }) => ({ watts: sourceWatts, ports })),
        [...new Set(takers.map(({ sourceWatts }) => sourceWatts))],
      ),
    };
  });
}

/** The cheapest mixes for the groups of one place that fit its rack together, or the cheapest of all where none do. */
function bought(
  groups: readonly { group: Group; mixes: Mix[] }[],
  room: number | null,
): { parts: Part[][]; fits: boolean } {
  const first = groups.map(({ mixes: of }) => of[0] ?? { parts: [], cost: 0, rackUnits: 0 });
  if (room === null || first.reduce((sum, { rackUnits }) => sum + rackUnits, 0) <= room)
    return { parts: first.map(({ parts }) => parts), fits: true };
  let best: { cost: number; parts: Part[][] } | undefined;
  const pick = (at: number, cost: number, units: number, parts: Part[][]): void => {
    if (units > room || (best && cost >= best.cost)) return;
    const next = groups[at];
    if (!next) best = { cost, parts };
    else
      for (const mix of next.mixes)
        pick(at + 1, cost + mix.cost, units + mix.rackUnits, [...parts, mix.parts]);
  };
  pick(0, 0, 0, []);
  return best ? { parts: best.parts, fits: true } : { parts: first.map(({ parts }) => parts), fits: false };
}

/** Everything that chosen options share beside ports, with how many units of each serve them together. */
export function sharedThingsOf(
  catalogue: Catalogue,
  chosen: readonly Pick<FeasibleOption, 'sharing'>[],
): { thing: SharedThing; units: number; unit: UnitCost }[] {
  const needs = new Map<string, { thing: SharedThing; need: number }>();
  for (const thing of chosen.flatMap(({ sharing }) => sharing))
    needs.set(thing.key, { thing, need: (needs.get(thing.key)?.need ?? 0) + thing.need });
  return [...needs.values()].flatMap(({ thing, need }) => {
    const units = unitsFor(thing, need);
    return units > 0 ? [{ thing, units, unit: unitCostOf(catalogue, thing) }] : [];
  });
}

/** What chosen options come to together: each one's own parts and labour, and whole units of what they share. */
export function totalOf(
  site: PlannedSite & Pick<Site, 'recorder' | 'supply'>,
  chosen: readonly FeasibleOption[],
  buys: Buys = [],
  years = 1,
): Total {
  const catalogue = catalogueOf(site);
  const byPlace = new Map<string, Group[]>();
  for (const group of groupsOf(chosen))
    byPlace.set(group.placeId, [...(byPlace.get(group.placeId) ?? []), group]);
  const recorders = [...recordersToBuy(site), ...buys];
  const noRoomAt: string[] = [];
  const shared = [...byPlace].flatMap(([placeId, groups]): SharedEquipment[] => {
    const free = freeRackUnits(site, placeId);
    const taken = recorders.reduce(
      (sum, buy) =>
        sum +
        (buy.placeId === placeId ? buy.count * productOf(catalogue, buy.productId, 'recorder').rackUnits : 0),
      0,
    );
    const { parts, fits } = bought(
      groups.map((group) => ({
        group,
        mixes: mixes(unitSizes(catalogue, group.of), group, portsThere(site, group.of, placeId)),
      })),
      free === null ? null : free - taken,
    );
    if (!fits) noRoomAt.push(placeId);
    return groups.map((group, index) => ({
      ...group,
      parts: parts[index] ?? [],
      cost: partsCostOf(catalogue, parts[index] ?? []),
    }));
  });
  const network = plannedNetwork(site);
  const things = sharedThingsOf(catalogue, chosen);
  const boughtParts = recorders.map(({ productId, count }): Part => ({ item: productId, count }));
  const sum = (of: (option: FeasibleOption) => number): number =>
    chosen.reduce((all, option) => all + of(option), 0);
  return {
    cost:
      sum(({ ownCost }) => ownCost) +
      things.reduce((all, thing) => all + thing.units * thing.unit.cost, 0) +
      shared.reduce((all, group) => all + group.cost, 0) +
      partsCostOf(catalogue, boughtParts) +
      network.cost,
    hours:
      network.hours +
      sum(({ ownHours }) => ownHours) +
      things.reduce((all, thing) => all + thing.units * thing.unit.hours, 0),
    labourCost:
      network.labourCost +
      sum(({ labourCost }) => labourCost) +
      things.reduce((all, { units, unit }) => all + units * unit.labourCost, 0),
    darkHours: network.darkHours + sum(({ darkHours }) => darkHours),
    renewCost: sum((option) => renewalsOf(option, years)),
    newCableM:
      network.newCableM +
      sum(({ newCableM }) => newCableM) +
      things.reduce((all, { thing, units }) => all + units * (thing.cableM ?? 0), 0),
    ipCameras: chosen.filter(isIp).length,
    parts: mergeParts([
      ...chosen.flatMap((option) => option.parts),
      ...things.flatMap(({ thing, units }) =>
        thing.parts.map(({ item, count }) => ({ item, count: count * units })),
      ),
      ...shared.flatMap((group) => group.parts),
      ...boughtParts,
      ...network.parts,
    ]),
    network: { cost: network.cost, hours: network.hours, darkHours: network.darkHours },
    shared,
    recorders,
    noRoomAt,
  };
}
