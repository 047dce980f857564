import { slotCount, usualRules, withRulesOf, type SlotNeed, type SlotRules } from '#core/model/slotRules';
import fc from 'fast-check';
import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { evaluateSite, planSolver } from '#core/evaluate';
import { allocate, recorderState } from '#core/allocate/recorder';
import { usualDemands, type Demands, type Recorder, type Site } from '#core/model/site';
import { saltmarrowOnRuns } from '../../model/site/testSite';
import { catalogueOf, labourRateOf } from '#core/model/catalogue';
import { solve } from '#core/solver';
import { planModel } from './planModel';
import { adopt, planningInput, planSite, plannedOf, type Plan } from '.';

const highs = await loadHighs();
const solver = planSolver(highs);
const site = saltmarrowOnRuns();
const labour = labourRateOf(catalogueOf(site));
const who = { by: 'R. Tolland', at: '2026-04-01T09:00:00Z' };

function plan(at: Site, demands: Demands = usualDemands): Plan | null {
  const planning = planSite(solver, planningInput(at, demands));
  return planning.kind === 'plan' ? planning.plan : null;
}
const withRecorders = (change: (recorder: Recorder) => Recorder): Site => ({
  ...site,
  choice: {},
  placement: {},
  recorder: Object.fromEntries(
    Object.values(site.recorder).map((recorder) => [recorder.id, change(recorder)]),
  ),
});
const roomy = (recorder: Recorder): Recorder => ({
  ...recorder,
  limits: { ...recorder.limits, incomingMbps: 500, ipCameras: 64, slotMegapixels: 12 },
});

const fromScratch = (
  recorders: readonly Recorder[],
  needs: readonly SlotNeed[],
  blocks: Demands['policies']['blocks'] = 'mix',
) =>
  allocate(
    highs,
    recorders,
    needs.map((need) => ({ need, placed: undefined, mayMove: true })),
    { numbers: 'any', share: 'building', blocks, spareSlots: 0 },
  );

/** What the plan chose, put on the recorders from scratch; who found no slot. */
function placed(
  at: Site,
  of: Plan,
  blocks: Demands['policies']['blocks'] = 'mix',
): { site: Site; without: number; broken: string[] } {
  const adopted = { ...at, savedPlan: { p: plannedOf(of, 'p', 'P', who) } };
  const next = adopt(adopted, adopted.savedPlan.p, who).reduce<Site>(
    (so, change) =>
      'set' in change ? { ...so, [change.kind]: { ...so[change.kind], [change.id]: change.set } } : so,
    adopted,
  );
  const { allocation } = evaluateSite(next);
  const recorders = Object.values(next.recorder);
  const needs = Object.values(allocation.needs);
  const { without, occupied } = fromScratch(recorders, needs, blocks);
  return {
    site: next,
    without: without.length,
    broken: recorders.flatMap((recorder) =>
      recorderState(recorder, occupied[recorder.id] ?? []).broken.map(({ why }) => why),
    ),
  };
}

const families: SlotRules['kind'][] = ['highest-first', 'switch-per-input', 'fixed-hybrid', 'preset-split'];

interface Span {
  min: number;
  max: number;
}

/** Two recorders as they may be: of these families, with few inputs or many, presets that end anywhere, blocks of their own. */
const drawnRecorders = (of: SlotRules['kind'][], inputs: Span, ipSlots: Span) =>
  fc.array(
    fc.record({
      family: fc.constantFrom(...of),
      inputs: fc.integer(inputs),
      ipSlots: fc.integer(ipSlots),
      cuts: fc.uniqueArray(fc.nat(24), { minLength: 1, maxLength: 4 }),
      blockSize: fc.constantFrom(undefined, undefined, 2, 4),
      ipCameras: fc.integer({ min: 2, max: 40 }),
      incomingMbps: fc.constantFrom(500, 500, 40, 21, 15),
      forced: fc.constantFrom([], [], [1, 2, 3, 4], [1, 3, 5, 7, 9, 11]),
    }),
    { minLength: 2, maxLength: 2 },
  );
type DrawnRecorder = ReturnType<typeof drawnRecorders> extends fc.Arbitrary<(infer T)[]> ? T : never;

function asDrawn(recorder: Recorder, drawn: DrawnRecorder): Recorder {
  const { family, inputs, ipSlots, cuts, blockSize, ipCameras, incomingMbps, forced } = drawn;
  const { blockSize: _, ...plain } = roomy({ ...recorder, inputs });
  const rules: SlotRules =
    family === 'preset-split'
      ? {
          kind: family,
          presets: cuts.map((cut) => {
            const coax = Math.min(cut, inputs);
            return { inputs: coax, ipSlots: inputs - coax + ipSlots };
          }),
        }
      : usualRules(family, inputs, ipSlots);
  return {
    ...plain,
    rules,
    limits: { ...plain.limits, ipCameras, incomingMbps },
    forced: forced.filter((input) => input <= inputs).map((input) => ({ input, format: 'hd1080' })),
    ...(blockSize === undefined ? {} : { blockSize }),
  };
}

describe('slots in the plan', () => {
  it.each(families)(
    'a plan on recorders of the family %s finds a slot for every camera, and breaks no rule',
    (family) => {
      const at = withRecorders((recorder) => roomy(withRulesOf(recorder, family)));
      const best = plan(at, { ...usualDemands, goal: 'view' });
      expect(best).not.toBeNull();
      expect(placed(at, best!)).toMatchObject({ without: 0, broken: [] });
    },
  );
  it.each(families)(
    'one of the family %s that takes few IP cameras leads to another plan, or to a recorder bought',
    (family) => {
      const wide = withRecorders((recorder) => roomy(withRulesOf(recorder, family)));
      const tight = withRecorders((recorder) => ({
        ...roomy(withRulesOf(recorder, family)),
        limits: { ...recorder.limits, ipCameras: 2 },
      }));
      const [free, held] = [plan(wide), plan(tight)];
      expect(held!.totals.weighed).toBeGreaterThan(free!.totals.weighed);
      expect(held!.buys.length > 0 || held!.totals.ipCameras <= 4).toBe(true);
    },
  );
  it('has kept cameras on encoders where no recorder has an input', () => {
    const networkOnly = withRecorders((recorder) =>
      roomy({ ...recorder, inputs: 0, accepts: [], rules: { kind: 'network-only', ipSlots: 32 } }),
    );
    const two = Object.fromEntries(['r01', 'r02'].map((id) => [id, networkOnly.run[id]!]));
    const found = plan({ ...networkOnly, run: two }, { ...usualDemands, goal: 'mend', years: 2 })!;
    expect(found.options).toEqual({ c01: 'encode', c02: 'encode' });
    // Half an hour each by day but for 6 minutes by night, and one encoder of four inputs.
    expect(found.totals.cost).toBe(260 + 2 * Math.round(0.4 * labour.day + 0.1 * labour.night));
    expect(found.buys).toEqual([]);
  });
  it.each([
    ['any recorders', 24, drawnRecorders(families, { min: 4, max: 24 }, { min: 0, max: 16 })],
    ['tight presets', 24, drawnRecorders(['preset-split'], { min: 10, max: 18 }, { min: 0, max: 1 })],
  ] as const)(
    'a proven plan finds a slot for every camera, blocks and all: %s',
    { timeout: 240_000 },
    (_, numRuns, recorders) => {
      let [plans, lost] = [0, 0];
      fc.assert(
        fc.property(
          recorders,
          fc.constantFrom('separate' as const, 'separate' as const, 'mix' as const),
          fc.constantFrom('mend' as const, 'view' as const, 'ip' as const),
          ([hall, marshalling], blocks, goal) => {
            const drawn = { 'hall-recorder': hall!, 'marshalling-recorder': marshalling! };
            const at = withRecorders((recorder) =>
              asDrawn(recorder, drawn[recorder.id as keyof typeof drawn]),
            );
            const input = planningInput(at, {
              ...usualDemands,
              goal,
              policies: { ...usualDemands.policies, blocks },
            });
            const planning = planSite(solver, input);
            const apart = solve(
              highs,
              planModel(input.site, input.candidates, input.demands, 'apart').programme,
            );
            if (planning.kind === 'nothing') lost += 1;
            if (planning.kind !== 'plan' || planning.plan.proof.kind !== 'proven') return;
            plans += 1;
            expect(placed(at, planning.plan, blocks)).toMatchObject({ without: 0, broken: [] });
            // Sums over the recorders lose nothing against counting on each of them.
            expect(apart).toMatchObject({
              kind: 'proven',
              cost: expect.closeTo(planning.plan.totals.weighed, 0) as number,
            });
          },
        ),
        { numRuns, seed: 11 },
      );
      expect(plans).toBeGreaterThan(numRuns / 2);
      expect(lost).toBe(0);
    },
  );
  /** Three cameras alone, on recorders that take so much. */
  function three(numbers: readonly number[], incomingMbps: number): Site {
    const isOne = ({ number }: { number: number }): boolean => numbers.includes(number);
    const camera = Object.fromEntries(Object.entries(site.camera).filter(([, one]) => isOne(one)));
    const run = Object.fromEntries(Object.entries(site.run).filter(([, { cameraId }]) => cameraId in camera));
    const at = withRecorders((recorder) => ({
      ...roomy(recorder),
      limits: { ...roomy(recorder).limits, incomingMbps },
    }));
    return { ...at, camera, run, reading: {} };
  }
  it('rates that fit in sum and on no recorder are seen: it is planned again with each recorder apart', () => {
    // Each camera sends 6 Mb/s and each recorder takes the rate of one and a half: three in sum, and two in truth.
    const at = three([8, 13, 14], 9);
    const input = planningInput(at, { ...usualDemands, goal: 'ip' });
    const refused: Pick<Plan, 'buys'>[] = [];
    const planning = planSite(
      {
        highs,
        findsSlots: (of, found) => {
          const isFound = solver.findsSlots(of, found);
          if (!isFound) refused.push(found);
          return isFound;
        },
      },
      input,
    );
    if (planning.kind !== 'plan') throw new Error(planning.kind);
    expect(refused).toHaveLength(1);
    expect(refused[0]!.buys).toEqual([]);
    expect(planning.plan.buys).toHaveLength(1);
    expect(placed(at, planning.plan)).toMatchObject({ without: 0, broken: [] });
  });
  it('what the recorders refuse is ruled out, and the best of the rest is found', () => {
    const input = planningInput(three([1, 2, 9], 500), { ...usualDemands, goal: 'view' });
    const { programme, picks } = input.model;
    const isHd = (kind: string | undefined): boolean => kind === 'hd-coax';
    const free = planSite(solver, input);
    expect(free.kind === 'plan' && Object.values(free.plan.options).every(isHd)).toBe(true);
    // Recorders that take two HD cameras, whatever is bought: the programme knows nothing of it.
    const planning = planSite(
      { highs, findsSlots: (_, { options }) => Object.values(options).filter(isHd).length <= 2 },
      input,
    );
    const terms = picks
      .filter(({ candidate }) => isHd(candidate.option.kind))
      .map(({ variable }) => ({ variable, by: 1 }));
    const least = solve(highs, {
      ...programme,
      rows: [...programme.rows, { name: 'HD', terms, sense: '<=', bound: 2, demand: null }],
    });
    if (planning.kind !== 'plan' || least.kind !== 'proven') throw new Error(planning.kind);
    expect(planning.plan.proof).toEqual({ kind: 'proven' });
    expect(planning.plan.totals.weighed).toBeCloseTo(least.cost, 0);
  });
  it('the incoming rate binds as the number of cameras does', () => {
    const slow = withRecorders((recorder) => ({
      ...roomy(recorder),
      limits: { ...recorder.limits, incomingMbps: 20, ipCameras: 64 },
    }));
    const best = plan(slow)!;
    expect(best.buys.length).toBeGreaterThan(0);
    expect(placed(slow, best).without).toBe(0);
  });
  it('a camera with more megapixels than a slot takes goes to another recorder', () => {
    // The marshalling recorder takes 6 MP a slot; the lanes have 8 MP cameras.
    const best = plan({ ...site, choice: {}, placement: {} })!;
    const { site: next } = placed({ ...site, choice: {}, placement: {} }, best);
    expect(best.options['c06']).toMatch(/^ip/);
    const { placements } = fromScratch(
      Object.values(next.recorder),
      Object.values(evaluateSite(next).allocation.needs),
    );
    expect(placements.find(({ id }) => id === 'c06')?.recorderId).toBe('hall-recorder');
  });
  it('blocks that keep families apart take whole blocks', () => {
    const blocks = withRecorders((recorder) => ({ ...roomy(recorder), blockSize: 8 }));
    const mixed = plan(withRecorders(roomy), { ...usualDemands, goal: 'view' })!;
    const apart = plan(blocks, { ...usualDemands, goal: 'view' })!;
    expect(apart.totals.weighed).toBeGreaterThanOrEqual(mixed.totals.weighed - 1e-6);
  });
  it('spare slots are kept free, by a recorder bought where there is no other way', () => {
    const all = Object.values(site.recorder).reduce((sum, recorder) => sum + slotCount(recorder), 0);
    const best = plan(site, { ...usualDemands, spareSlots: all - 20 })!;
    const bought = best.buys.reduce((sum, { count }) => sum + count, 0);
    expect(bought).toBeGreaterThan(0);
    expect(best.totals.cost).toBeGreaterThan(plan(site)!.totals.cost);
  });
});

describe('recorders that a plan buys', () => {
  const poor = withRecorders((recorder) => ({ ...recorder, limits: { ...recorder.limits, ipCameras: 1 } }));
  const best = plan(poor)!;
  it('stand on the site once the plan is adopted, to be bought, and count in its total', () => {
    expect(best.buys.length).toBeGreaterThan(0);
    const { site: next } = placed(poor, best);
    const fresh = Object.values(next.recorder).filter(({ toBuy }) => toBuy !== undefined);
    expect(fresh).toHaveLength(best.buys.reduce((sum, { count }) => sum + count, 0));
    const { total } = evaluateSite(next);
    expect(total.recorders).toHaveLength(best.buys.length);
    expect(total.cost).toBe(best.totals.cost);
  });
  it('are not bought again when the same plan is adopted again', () => {
    const { site: next } = placed(poor, best);
    expect(adopt(next, next.savedPlan['p']!, who)).toEqual([]);
  });
  it('with them there, planning again buys none', () => {
    const { site: next } = placed(poor, best);
    expect(plan(next)!.buys).toEqual([]);
  });
});

describe('supply boxes in the plan', () => {
  it('a box that is loaded already keeps cameras off it', () => {
    const weak: Site = {
      ...site,
      choice: {},
      placement: {},
      supply: { ...site.supply, 'hall-box': { ...site.supply['hall-box']!, ratedAmps: 0.6 } },
    };
    const mend: Demands = {
      ...usualDemands,
      goal: 'mend',
      policies: { ...usualDemands.policies, route: 'reuse' },
    };
    const amps = (at: Site) => {
      const best = plan(at, mend)!;
      return evaluateSite(at).runs.reduce((sum, { camera, options }) => {
        const option = options.find(({ kind }) => kind === best.options[camera.id]);
        return (
          sum +
          (option && option.state !== 'no' && option.draws?.supplyId === 'hall-box' ? option.draws.amps : 0)
        );
      }, 0);
    };
    expect(amps(weak)).toBeLessThanOrEqual(0.8 * 0.6 + 1e-6);
    expect(amps({ ...site, choice: {}, placement: {} })).toBeGreaterThan(0.8 * 0.6);
  });
});
