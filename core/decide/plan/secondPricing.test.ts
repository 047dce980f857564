import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { planSolver } from '#core/evaluate';
import type { FeasibleOption } from '#core/decide/options';
import { usualDemands, type Demands, type Site } from '#core/model/site';
import rows from '../../model/catalogue/generic.json';
import { saltmarrowSite } from '../../model/site/testSite';
import { planningInput, planSite, type PlanningInput } from '.';

/** The price of a whole plan a second time: from the rows of the catalogue and the facts of the site, with none of the options' own sums. */

const solver = planSolver(await loadHighs());
const site = saltmarrowSite();

interface RowOfCatalogue {
  id: string;
  kind: string;
  each?: number | null;
  hours?: number;
  darkHours?: number;
  where?: string;
  ports?: number;
  watts?: number;
  portWatts?: number;
  uplinkMbps?: number;
}
const catalogue = new Map((rows as RowOfCatalogue[]).map((row) => [row.id, row]));
const rowOf = (id: string): RowOfCatalogue => catalogue.get(id)!;

/** So many of each row. */
type Bill = Record<string, number>;
const add = (...bills: Bill[]): Bill => {
  const sum: Bill = {};
  for (const bill of bills) for (const [id, count] of Object.entries(bill)) sum[id] = (sum[id] ?? 0) + count;
  return sum;
};

interface View {
  option: FeasibleOption;
  camera: Site['camera'][string];
  run: Site['run'][string];
}
const placeOf = ({ camera }: View): Site['place'][string] => site.place[camera.placeId]!;
const isOutdoor = (view: View): boolean => !['indoor', 'roof-space'].includes(placeOf(view).environment);
/** Everything at Saltmarrow is reached as noted. */
const up = (view: View): Bill =>
  ({ ground: {}, ladder: { ladder: 1 }, lift: { 'lift-or-rope': 1 }, rope: { 'lift-or-rope': 1 } })[
    placeOf(view).access.by
  ];
const newCamera = (view: View, signal: 'ip' | 'hd'): Bill =>
  add(
    { [`${signal}-${view.camera.target}`]: 1, 'camera-mount': 1, disposal: 1 },
    { [`configure-${signal}-camera`]: 1, [`swap-${signal}-camera`]: 1, 'commission-camera': 1 },
    isOutdoor(view) ? { weatherproofing: 1, 'weatherproof-end': 1 } : {},
    up(view),
  );

const ends: Bill = { 'join-crimp': 2 };
/** What each way asks for at its own camera, as practice has it. */
const bills: Partial<Record<FeasibleOption['kind'], (view: View) => Bill>> = {
  'hd-coax': (view) =>
    // Fixed cameras take 12 V DC: where 24 V AC arrives they get a converter. Turning ones take 24 V AC.
    add(
      newCamera(view, 'hd'),
      view.camera.supply.current === 'ac' && view.camera.target.startsWith('fixed')
        ? { 'camera-converter': 1, 'fit-camera-converter': 1 }
        : {},
    ),
  'ip-coax-pair': (view) =>
    add(newCamera(view, 'ip'), ends, { 'coax-converter': 2, 'fit-converter-pair': 1 }),
  'ip-coax-unit': (view) =>
    add(newCamera(view, 'ip'), ends, { 'coax-converter': 1, 'fit-converter-to-unit': 1 }),
  'ip-category': (view) => add(newCamera(view, 'ip'), { 'category-ends': 1, 'prepare-pair-ends': 1 }),
  'long-reach': (view) => add(newCamera(view, 'ip'), { 'category-ends': 1, 'prepare-pair-ends': 1 }),
  'field-switch': (view) =>
    add(newCamera(view, 'ip'), {
      'category-cable-m': view.option.newCableM,
      'pull-cable-m': view.option.newCableM,
      'category-ends': 1,
    }),
  'field-coax': (view) =>
    add(newCamera(view, 'ip'), { 'category-cable-m': 10, 'pull-cable-m': 10, 'category-ends': 1 }),
  encode: () => ({ 'patch-to-encoder': 1 }),
  baluns: (view) => add(newCamera(view, 'hd'), { balun: 2, 'fit-baluns': 1 }),
  'new-category': (view) =>
    add(newCamera(view, 'ip'), {
      'category-cable-m': view.option.newCableM,
      'pull-cable-m': view.option.newCableM,
      'category-ends': 1,
      ...(isOutdoor(view) ? { 'surge-protector': 2, 'fit-surge-protectors': 1 } : {}),
    }),
  fibre: (view) => add(newCamera(view, 'ip'), { 'poe-injector': 1 }),
  wireless: (view) => add(newCamera(view, 'ip'), { 'poe-injector': 1 }),
};

/** Money of a bill: what is bought, and labour by day but for the hours in which a view is dark. */
function moneyOf(bill: Bill): number {
  const [day, night] = [rowOf('labour').each!, rowOf('labour-night').each!];
  return Object.entries(bill).reduce((sum, [id, count]) => {
    const { kind, each = 0, hours = 0, darkHours = 0 } = rowOf(id);
    return sum + count * (kind === 'task' ? (hours - darkHours) * day + darkHours * night : (each ?? 0));
  }, 0);
}
const hoursAtCamera = (bill: Bill): number =>
  Object.entries(bill).reduce((sum, [id, count]) => {
    const { kind, hours = 0, where } = rowOf(id);
    return sum + (kind === 'task' && where === undefined ? hours * count : 0);
  }, 0);

/** The cheapest units of a kind for so many ports, watts and megabits, by trying up to four of each size. */
function cheapest(kind: string, ports: number, watts: number, mbps: number, strong: number): number {
  const sizes = [...catalogue.values()].filter((row) => row.kind === kind);
  let best = Infinity;
  const next = (at: number, p: number, w: number, m: number, s: number, cost: number): void => {
    if (cost >= best) return;
    const size = sizes[at];
    if (!size) {
      if (p >= ports && w >= watts - 1e-9 && m >= mbps && s >= strong) best = cost;
      return;
    }
    for (let n = 0; n <= 4; n += 1)
      next(
        at + 1,
        p + n * size.ports!,
        w + n * (size.watts ?? 0),
        m + n * size.uplinkMbps!,
        s + ((size.portWatts ?? 30) > 30 ? n * size.ports! : 0),
        cost + n * size.each!,
      );
  };
  next(0, 0, 0, 0, 0, 0);
  return best;
}

/** Ports, watts and megabits that stand at a place already. */
const there = (placeId: string): { ports: number; watts: number; mbps: number } =>
  Object.values(site.equipment).reduce(
    (sum, { placeId: at, gear }) =>
      at === placeId && gear.kind === 'switch'
        ? {
            ports: sum.ports + gear.poePorts,
            watts: sum.watts + gear.poeWatts,
            mbps: sum.mbps + (gear.poePorts > 0 ? gear.uplinkMbps : 0),
          }
        : sum,
    { ports: 0, watts: 0, mbps: 0 },
  );

const groupBy = <T>(all: readonly T[], key: (one: T) => string): Map<string, T[]> => {
  const groups = new Map<string, T[]>();
  for (const one of all) groups.set(key(one), [...(groups.get(key(one)) ?? []), one]);
  return groups;
};

function sharedMoney(views: readonly View[]): number {
  // A port of its own for whoever is fed from here, and one for every fibre and pair of radios that ends here.
  const own = views.flatMap(({ option: { shared } }) =>
    shared ? [{ ...shared, key: null as string | null }] : [],
  );
  const trunks = views.flatMap(({ option: { sharing } }) =>
    sharing.flatMap(({ key, port }) =>
      port ? [{ of: 'poe-switch' as const, sourceWatts: 0, ...port, key: key as string | null }] : [],
    ),
  );
  let sum = 0;
  for (const takers of groupBy([...own, ...trunks], ({ of, placeId }) => `${of} ${placeId}`).values()) {
    const { of, placeId } = takers[0]!;
    const have = of === 'poe-switch' ? there(placeId) : { ports: 0, watts: 0, mbps: 0 };
    const trunkCount = new Set(takers.flatMap(({ key }) => key ?? [])).size;
    const alone = takers.filter(({ key }) => key === null);
    const watts = alone.reduce((all, { sourceWatts }) => all + sourceWatts, 0);
    const mbps = takers.reduce((all, one) => all + one.mbps, 0);
    sum += cheapest(
      of,
      alone.length + trunkCount - have.ports,
      watts - have.watts,
      mbps - have.mbps,
      alone.filter(({ sourceWatts }) => sourceWatts > 30).length,
    );
  }
  return sum;
}

/** Lifts by the half-day of four hours for two people, at each place; routes, fibres and radios once for all on them. */
function placeMoney(views: readonly View[], own: (view: View) => Bill): number {
  let sum = 0;
  for (const at of groupBy(views, ({ camera }) => camera.placeId).values()) {
    const up = at.filter((view) => placeOf(view).access.by === 'lift' && Object.keys(own(view)).length > 0);
    const hours = up.reduce((all, view) => all + hoursAtCamera(own(view)) / 2, 0);
    sum += Math.ceil(hours / 4 - 1e-9) * rowOf('lift-half-day').each!;
  }
  const keys = new Set<string>();
  const switches = new Map<string, number>();
  for (const { option } of views)
    for (const { key, parts, tasks } of option.sharing) {
      if (key.startsWith('lift')) continue;
      if (key.startsWith('field-switch')) switches.set(key, (switches.get(key) ?? 0) + 1);
      else if (!keys.has(key)) {
        keys.add(key);
        sum += moneyOf(Object.fromEntries([...parts, ...tasks].map(({ item, count }) => [item, count])));
      }
    }
  // A field switch of eight ports serves seven cameras.
  for (const cameras of switches.values()) sum += Math.ceil(cameras / 7) * rowOf('field-switch').each!;
  return sum;
}

function secondPrice({ runs }: PlanningInput, options: Readonly<Record<string, string>>): number {
  const views = runs.flatMap(({ camera, run, options: all }): View[] => {
    const option = all.find(({ kind }) => kind === options[camera.id]);
    return option && option.state !== 'no' ? [{ option, camera, run }] : [];
  });
  const own = (view: View): Bill => {
    const { kind, parts } = view.option;
    // Which way power is mended, and whether a picture needs an isolator, is judged elsewhere; what it costs is not.
    const items = new Set(parts.map(({ item }) => item));
    if (kind === 'keep')
      return items.has('isolator') ? add({ isolator: 1, 'fit-isolator': 1 }, up(view)) : {};
    if (kind === 'power-fix')
      return add(
        Object.fromEntries(parts.map(({ item, count }) => [item, count])),
        { 'fix-power': 1 },
        up(view),
      );
    const bill = bills[kind];
    if (!bill) throw new Error(`no bill for ${kind}`);
    return bill(view);
  };
  return (
    views.reduce((sum, view) => sum + moneyOf(own(view)), 0) + placeMoney(views, own) + sharedMoney(views)
  );
}

describe('a plan priced a second time, from the catalogue alone', { timeout: 60_000 }, () => {
  const under = (goal: Demands['goal'], route: Demands['policies']['route']): Demands => ({
    ...usualDemands,
    goal,
    policies: { ...usualDemands.policies, route },
  });
  it.each([
    ['mend', 'cheapest'],
    ['mend', 'recable'],
    ['view', 'cheapest'],
    ['view', 'recable'],
    ['ip', 'cheapest'],
    ['ip', 'recable'],
    ['ip', 'reuse'],
  ] as const)('to %s, %s', (goal, route) => {
    const input = planningInput(site, under(goal, route));
    const planning = planSite(solver, input);
    if (planning.kind !== 'plan') throw new Error(planning.kind);
    const { options, totals, buys } = planning.plan;
    expect(buys).toEqual([]);
    // Each camera's parts and labour, and each shared thing, are rounded to whole units of money.
    const roundings = 2 * 24 + 10;
    expect(Math.abs(secondPrice(input, options) - totals.cost)).toBeLessThan(roundings / 2);
  });
});
