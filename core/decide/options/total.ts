import { catalogueOf, productOf, type Catalogue } from '#core/model/catalogue';
import type { Site } from '#core/model/site';
import { partsCostOf } from './build';
import type { LeadSite } from './leads';
import { isIp, type FeasibleOption, type SharedPort } from './option';
import type { Part } from './part';
import { plannedNetwork, type PlannedSite } from './plannedNetwork';
import { unitCostOf, unitsFor, type SharedThing, type UnitCost } from './sharing';
import { mixes, type Mix } from './mixes';
import { inSettling, portsThere } from './portsThere';
import { freeRackUnits } from './rackRoom';
import { levelsOf, unitSizes, type Wanted } from './sharedUnits';

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
      fedMbps: sum(({ mbps, sourceWatts }) => (sourceWatts > 0 ? mbps : 0)),
      levels: levelsOf(
        takers.map(({ sourceWatts, ports }) => ({ watts: sourceWatts, ports })),
        [...new Set(takers.map(({ sourceWatts }) => sourceWatts))],
      ),
    };
  });
}

/** What cameras ask at a place of one kind, with the mixes that serve it when so many units are bought beside. */
interface ToBuy {
  group: Group;
  mixesWith: (beside: number) => readonly Mix[];
}

const unitsIn = ({ parts }: Mix): number => parts.reduce((sum, { count }) => sum + count, 0);

/** Of mixes from the cheapest on, those that take fewer units or less room than every cheaper one. */
function worthATry(all: readonly Mix[]): Mix[] {
  const kept: Mix[] = [];
  for (const mix of all)
    if (!kept.some((one) => unitsIn(one) <= unitsIn(mix) && one.rackUnits <= mix.rackUnits)) kept.push(mix);
  return kept;
}

/** The cheapest mixes for what is asked at one place that fit its room together; none where none do. */
function cheapestFit(asked: readonly ToBuy[], beside: number, room: number): Part[][] | null {
  let best: { cost: number; parts: Part[][] } | undefined;
  const pick = (at: number, cost: number, rackUnits: number, units: number, parts: Part[][]): void => {
    if (rackUnits > room || (best && cost >= best.cost)) return;
    const next = asked[at];
    if (!next) best = { cost, parts };
    else
      for (const mix of next.mixesWith(units))
        pick(at + 1, cost + mix.cost, rackUnits + mix.rackUnits, units + unitsIn(mix), [...parts, mix.parts]);
  };
  pick(0, 0, 0, beside, []);
  return best?.parts ?? null;
}

const nothingBought: Mix = { parts: [], cost: 0, rackUnits: 0 };

/** What is asked of each kind at one place, in the order of settling. */
function toBuyAt(site: PlannedSite & LeadSite, groups: readonly Group[]): ToBuy[] {
  const catalogue = catalogueOf(site);
  return inSettling(site, groups).map(({ asked: group, rules }): ToBuy => {
    const sizes = unitSizes(catalogue, group.of);
    const there = portsThere(site, group.of, group.placeId);
    const known = new Map<number, readonly Mix[]>();
    return {
      group,
      mixesWith: (beside) => {
        const key = rules.length > 0 ? beside : 0;
        const mixesOf = known.get(key) ?? worthATry(mixes(sizes, group, there, { rules, beside: key }));
        known.set(key, mixesOf);
        return mixesOf.length > 0 ? mixesOf : [nothingBought];
      },
    };
  });
}

/** Ways that end in the switch of a place, each once: they take one of its leads. */
const waysInto = (chosen: readonly FeasibleOption[], placeId: string): number =>
  new Set(
    chosen.flatMap(({ sharing }) =>
      sharing.flatMap(({ key, way }) => (way?.intoPlaceId === placeId ? [key] : [])),
    ),
  ).size;

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
    const newRecorders = recorders.filter((buy) => buy.placeId === placeId);
    const taken = newRecorders.reduce(
      (sum, buy) => sum + buy.count * productOf(catalogue, buy.productId, 'recorder').rackUnits,
      0,
    );
    const asked = toBuyAt(site, groups);
    // Recorders that are noted as to buy are among the gear of the place already.
    const beside =
      waysInto(chosen, placeId) +
      buys.reduce((sum, buy) => sum + (buy.placeId === placeId ? buy.count : 0), 0);
    const fitting = cheapestFit(asked, beside, free === null ? Infinity : free - taken);
    if (!fitting) noRoomAt.push(placeId);
    const parts = fitting ?? cheapestFit(asked, beside, Infinity)!;
    const partsOf = new Map(asked.map(({ group }, index) => [group, parts[index]!]));
    return groups.map((group) => ({
      ...group,
      parts: partsOf.get(group)!,
      cost: partsCostOf(catalogue, partsOf.get(group)!),
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
