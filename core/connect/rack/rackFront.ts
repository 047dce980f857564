import { catalogueOf } from '#core/model/catalogue';
import type { Total } from '#core/decide/options';
import type { Equipment, HookUp, Site } from '#core/model/site';

/** Something in a rack, from one unit to another, counted from the bottom. */
export interface RackRow {
  id: string;
  name: string;
  from: number;
  to: number;
  /** At the unit that is noted, where there was room since nobody has looked, or still to come. */
  standing: 'noted' | 'anywhere' | 'planned';
  goes: boolean;
  watts: number;
}

/** A rack from the front. */
export interface RackFront {
  id: string;
  name: string;
  placeId: string;
  units: number;
  rows: RackRow[];
  freeUnits: number;
  /** What its gear turns into heat, as far as its watts are noted. */
  heatWatts: number;
  unnotedWatts: string[];
  problems: string[];
}

interface Mounted {
  id: string;
  name: string;
  hookUp?: HookUp | undefined;
  goes?: true | undefined;
}

/** Lowest unit from which so many are free, from the top down; `null` where there is none. */
function roomFor(taken: ReadonlySet<number>, units: number, height: number): number | null {
  for (let from = units - height + 1; from >= 1; from -= 1) {
    const isFree = Array.from({ length: height }, (_, k) => from + k).every((unit) => !taken.has(unit));
    if (isFree) return from;
  }
  return null;
}

/** What is to come to a place and has rack units: what the choices imply, and recorders and gear that are noted as to buy. */
function comingTo(site: Site, { shared, recorders }: Pick<Total, 'shared' | 'recorders'>, placeId: string) {
  const { products } = catalogueOf(site);
  const wanted = [
    ...shared.filter((group) => group.placeId === placeId).flatMap(({ parts }) => parts),
    ...recorders
      .filter((one) => one.placeId === placeId)
      .map(({ productId, count }) => ({ item: productId, count })),
    ...Object.values(site.equipment).flatMap(({ placeId: at, toBuy, hookUp }) =>
      at === placeId && toBuy !== undefined && hookUp?.rackId === undefined
        ? [{ item: toBuy, count: 1 }]
        : [],
    ),
  ];
  return wanted.flatMap(({ item, count }) => {
    const product = products.get(item)!;
    const height = 'rackUnits' in product ? product.rackUnits : 0;
    if (height === 0) return [];
    return Array.from({ length: count }, (_, k) => ({ id: `${item}-${k + 1}`, name: product.name, height }));
  });
}

/** Fills a rack: what has a unit noted first, then the rest from the top, then what is to come. */
export function rackFront(
  site: Site,
  rackId: string,
  total: Pick<Total, 'shared' | 'recorders'>,
): RackFront | null {
  const rack = site.equipment[rackId];
  if (rack?.gear.kind !== 'rack') return null;
  const { units } = rack.gear;
  const isMounted = ({ hookUp }: Mounted): boolean => hookUp?.rackId === rackId;
  const mounted: Mounted[] = [
    ...Object.values(site.recorder),
    ...Object.values(site.supply),
    ...Object.values<Equipment>(site.equipment),
  ].filter(isMounted);
  const taken = new Map<number, string>();
  const rows: RackRow[] = [];
  const problems: string[] = [];
  const put = (row: RackRow): void => {
    for (let unit = row.from; unit <= row.to; unit += 1) {
      const first = taken.get(unit);
      if (first !== undefined) problems.push(`Unit ${unit} is noted for ${first} and for ${row.name}.`);
      else taken.set(unit, row.name);
    }
    if (row.to > units) problems.push(`${row.name} reaches unit ${row.to}; the rack has ${units}.`);
    rows.push(row);
  };
  const rowOf = (
    { id, name, hookUp, goes }: Mounted,
    from: number,
    standing: RackRow['standing'],
  ): RackRow => ({
    id,
    name,
    from,
    to: from + Math.max(1, hookUp?.rackUnits ?? 1) - 1,
    standing,
    goes: goes === true,
    watts: hookUp?.mainsWatts ?? 0,
  });
  for (const one of mounted)
    if (one.hookUp?.rackFrom !== undefined) put(rowOf(one, one.hookUp.rackFrom, 'noted'));
  const anywhere = mounted.filter(({ hookUp }) => hookUp?.rackFrom === undefined && hookUp?.rackUnits !== 0);
  for (const one of anywhere) {
    const from = roomFor(new Set(taken.keys()), units, Math.max(1, one.hookUp?.rackUnits ?? 1));
    if (from === null) problems.push(`There is no room for ${one.name}.`);
    else put(rowOf(one, from, 'anywhere'));
  }
  // With several racks at a place what is to come is shown in the first that is asked for; what finds no room says so.
  for (const { id, name, height } of comingTo(site, total, rack.placeId)) {
    const from = roomFor(new Set(taken.keys()), units, height);
    if (from === null) problems.push(`${name}, which is to come, finds ${height} free units nowhere in it.`);
    else put({ id, name, from, to: from + height - 1, standing: 'planned', goes: false, watts: 0 });
  }
  return {
    id: rackId,
    name: rack.name,
    placeId: rack.placeId,
    units,
    rows: rows.sort((a, b) => b.from - a.from),
    freeUnits: units - [...taken.keys()].filter((unit) => unit <= units).length,
    heatWatts: rows.reduce((sum, { watts }) => sum + watts, 0),
    unnotedWatts: mounted.filter(({ hookUp }) => hookUp?.mainsWatts === undefined).map(({ name }) => name),
    problems,
  };
}
