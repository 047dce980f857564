import { slotCount, withRulesOf, type SlotNeed, type SlotRules } from '#core/model/slotRules';
import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { evaluateSite } from '#core/evaluate';
import { allocate, recorderState } from '#core/allocate/recorder';
import { usualDemands, type Demands, type Recorder, type Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { adopt, planningInput, planSite, plannedOf, type Plan } from '.';

const highs = await loadHighs();
const site = saltmarrowSite();
const who = { by: 'R. Tolland', at: '2026-04-01T09:00:00Z' };

function plan(at: Site, demands: Demands = usualDemands): Plan | null {
  const planning = planSite(highs, planningInput(at, demands));
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

const fromScratch = (recorders: readonly Recorder[], needs: readonly SlotNeed[]) =>
  allocate(
    highs,
    recorders,
    needs.map((need) => ({ need, placed: undefined, mayMove: true })),
    { numbers: 'any', share: 'building', blocks: 'mix', spareSlots: 0 },
  );

/** What the plan chose, put on the recorders from scratch; who found no slot. */
function placed(at: Site, of: Plan): { site: Site; without: number; broken: string[] } {
  const adopted = { ...at, savedPlan: { p: plannedOf(of, 'p', 'P', who) } };
  const next = adopt(adopted, adopted.savedPlan.p, who).reduce<Site>(
    (so, change) =>
      'set' in change ? { ...so, [change.kind]: { ...so[change.kind], [change.id]: change.set } } : so,
    adopted,
  );
  const { allocation } = evaluateSite(next);
  const recorders = Object.values(next.recorder);
  const needs = Object.values(allocation.needs);
  const { without, occupied } = fromScratch(recorders, needs);
  return {
    site: next,
    without: without.length,
    broken: recorders.flatMap((recorder) =>
      recorderState(recorder, occupied[recorder.id] ?? []).broken.map(({ why }) => why),
    ),
  };
}

const families: SlotRules['kind'][] = ['highest-first', 'switch-per-input', 'fixed-hybrid', 'preset-split'];

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
