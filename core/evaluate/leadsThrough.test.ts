import fc from 'fast-check';
import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { catalogueOf } from '#core/model/catalogue';
import { plannedNetwork, unitSizes, type FeasibleOption, type SharedEquipment } from '#core/decide/options';
import { planningInput, planSite } from '#core/decide/plan';
import {
  choose,
  usualDemands,
  withChanges,
  type Change,
  type Equipment,
  type Gear,
  type Site,
} from '#core/model/site';
import { saltmarrowSite } from '../model/site/testSite';
import { evaluateSite } from './evaluateSite';
import { networkAt } from './networkAt';
import { planSolver } from './planSolver';

/** What a total buys against the network that hangs together with it: leads and cameras share the ports. */

const solver = planSolver(await loadHighs());
const demo = saltmarrowSite();
const hall = 'ticket-hall';
type Evaluation = ReturnType<typeof evaluateSite>;

const gearAt = (id: string, gear: Gear, fields: Partial<Equipment> = {}): Change => ({
  kind: 'equipment',
  id,
  set: { id, name: id, placeId: hall, gear, ...fields },
});
const switchOf = (
  ports: number,
  poePorts: number,
  fields: Partial<Extract<Gear, { kind: 'switch' }>> = {},
): Gear => ({
  kind: 'switch',
  ports,
  poePorts,
  poeWatts: poePorts * 30,
  uplinkMbps: 10_000,
  ...fields,
});

/**
 * What is more than there is, in words: ports and watts of gear, the rate of links, cameras that find no port strong enough.
 * A switch that is there already, and too small for the leads alone, is what the network tells of; no camera hangs on it then.
 */
function overfull(site: Site, evaluation: Evaluation): string[] {
  const { devices, links, topology } = networkAt(site, evaluation, { kind: 'after' });
  const deviceOf = new Map(topology.devices.map((device) => [device.id, device]));
  const hangsOn = new Set(topology.cameras.map(({ deviceId }) => deviceId));
  const loads = [
    ...devices.flatMap((one) => (one.deviceId === 'old' && !hangsOn.has('old') ? [] : one.loads)),
    ...links.map(({ load }) => load),
  ];
  return [
    ...loads
      .filter(({ label, used, most }) => label !== 'in' && used > most + 1e-9)
      .map(({ label, used, most }) => `${label}: ${used} of ${most}`),
    ...topology.cameras
      .filter(({ deviceId, watts }) => (deviceOf.get(deviceId ?? '')?.portWatts ?? -1) < watts)
      .map(({ number }) => `camera ${number}`),
  ];
}

/** Cameras that have no way to a recorder, in words. */
const noWays = (site: Site, evaluation: Evaluation): string[] =>
  networkAt(site, evaluation, { kind: 'after' }).findings.flatMap(({ kind, message }) =>
    kind === 'no-way' ? [message] : [],
  );

const noted = {
  nothing: [],
  'a switch of five ports': [gearAt('old', switchOf(5, 5))],
  'a switch with ports without power': [gearAt('old', switchOf(12, 4))],
  'a switch without power': [gearAt('old', switchOf(16, 0))],
  'a switch that goes': [gearAt('old', switchOf(24, 24), { goes: true })],
  'a switch that others use': [gearAt('old', switchOf(8, 8, { taken: { ports: 3, watts: 20 } }))],
  'two switches': [gearAt('old', switchOf(5, 5)), gearAt('older', switchOf(6, 4))],
} satisfies Record<string, Change[]>;
const others = [
  gearAt('way-out', { kind: 'router' }),
  gearAt('streams', { kind: 'encoder', ports: 4, uplinkMbps: 100 }),
  gearAt('far-end', { kind: 'link-end', medium: 'radio', carriesMbps: 300 }),
];

const drawn = fc.record({
  noted: fc.constantFrom(...(Object.keys(noted) as (keyof typeof noted)[])),
  others: fc.nat(others.length),
  picks: fc.array(fc.nat(30), { minLength: 24, maxLength: 24 }),
});

function siteOf({
  noted: there,
  others: count,
  picks,
}: typeof drawn extends fc.Arbitrary<infer T> ? T : never): Site {
  const site = withChanges(demo, [...noted[there], ...others.slice(0, count)]);
  const who = { by: 'R. Tolland', at: '2026-04-01T09:00:00Z' };
  const { runs } = evaluateSite(site);
  const takesPort = (option: FeasibleOption): boolean =>
    option.shared?.placeId === hall || option.sharing.some(({ port }) => port?.placeId === hall);
  return withChanges(
    site,
    runs.flatMap(({ camera, options }, index) => {
      const own = options.filter(
        (option): option is FeasibleOption => option.state !== 'no' && takesPort(option),
      );
      // About one in six stays as it is.
      const pick = picks[index % picks.length]!;
      const option = pick % 6 === 0 ? undefined : own[pick % Math.max(1, own.length)];
      return option ? choose(site, camera.id, { option: option.kind, ...who }) : [];
    }),
  );
}

/** Every mix of up to so many units of each size that costs less. */
function cheaper(site: Site, { of, cost }: SharedEquipment): SharedEquipment['parts'][] {
  const sizes = unitSizes(catalogueOf(site), of);
  let all: { parts: SharedEquipment['parts']; cost: number }[] = [{ parts: [], cost: 0 }];
  for (const { item, each } of sizes)
    all = all.flatMap((mix) =>
      Array.from({ length: 1 + Math.max(0, Math.floor((cost - 1 - mix.cost) / each)) }, (_, count) => ({
        parts: count > 0 ? [...mix.parts, { item, count }] : mix.parts,
        cost: mix.cost + count * each,
      })),
    );
  return all.filter((mix) => mix.cost < cost).map(({ parts }) => parts);
}

describe('what is bought for ports', { timeout: 120_000 }, () => {
  it('has room for every camera, way and lead, and nothing cheaper has', () => {
    const seen = { bought: 0, tried: 0 };
    fc.assert(
      fc.property(drawn, (of) => {
        const site = siteOf(of);
        const evaluation = evaluateSite(site);
        expect(overfull(site, evaluation)).toEqual([]);
        const { shared } = evaluation.total;
        for (const group of shared.filter(({ placeId, cost }) => placeId === hall && cost > 0)) {
          seen.bought += 1;
          for (const parts of cheaper(site, group)) {
            seen.tried += 1;
            const less = shared.map((one) => (one === group ? { ...one, parts } : one));
            const instead = { ...evaluation, total: { ...evaluation.total, shared: less } };
            const lost = noWays(site, instead).length - noWays(site, evaluation).length;
            expect(overfull(site, instead).length + lost).toBeGreaterThan(0);
          }
        }
      }),
      { numRuns: 60, seed: 7 },
    );
    expect(seen.bought).toBeGreaterThan(40);
    expect(seen.tried).toBeGreaterThan(100);
  });

  it.each(Object.entries(noted))('costs in a plan what it costs in the total, beside %s', (_, there) => {
    for (const goal of ['mend', 'view', 'ip'] as const)
      for (const route of ['cheapest', 'recable'] as const) {
        const policies = { ...usualDemands.policies, route };
        const site = withChanges(demo, [...there, ...others]);
        const input = planningInput(site, { ...usualDemands, goal, policies });
        const planning = planSite(solver, input);
        if (planning.kind !== 'plan') throw new Error(planning.kind);
        const { options, totals } = planning.plan;
        const weights = input.candidates.cameras.flatMap(({ cameraId, candidates }) =>
          candidates.flatMap(({ option, weight }) => (option.kind === options[cameraId] ? [weight] : [])),
        );
        const weighed = totals.weighed - weights.reduce((sum, weight) => sum + weight, 0);
        expect(weighed).toBeCloseTo(totals.cost - plannedNetwork(site).cost, 2);
      }
  });
});
