import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { evaluateSite, planSolver } from '#core/evaluate';
import { totalOf, type Draws, type FeasibleOption } from '#core/decide/options';
import { costOf } from '#core/solver';
import {
  addNetworkCamera,
  applyChanges,
  choose,
  lockChoice,
  usualDemands,
  type Change,
  type Demands,
  type Reading,
  type Recorder,
  type Site,
  type Supply,
} from '#core/model/site';
import { saltmarrowOnRuns } from '../../model/site/testSite';
import {
  adopt,
  decisionRecord,
  pin,
  plannedOf,
  planningInput,
  planSite,
  samePlanningInput,
  unpin,
  withPolicy,
  type Plan,
  type Planning,
} from '.';

const solver = planSolver(await loadHighs());
const site = saltmarrowOnRuns();
const who = { by: 'R. Tolland', at: '2026-04-01T09:00:00Z' };

const under = (demands: Partial<Demands>): Demands => ({ ...usualDemands, ...demands });
const planned = (at: Site, demands: Partial<Demands> = {}): Planning =>
  planSite(solver, planningInput(at, under(demands)));
function plan(at: Site, demands: Partial<Demands> = {}): Plan {
  const planning = planned(at, demands);
  if (planning.kind !== 'plan') throw new Error(JSON.stringify(planning));
  return planning.plan;
}
const after = (at: Site, changes: readonly Change[]): Site => {
  const applied = applyChanges(at, changes);
  if (applied.kind === 'refused') throw new Error(JSON.stringify(applied.problems));
  return applied.value.site;
};
/** Only some cameras, so that every combination can be tried. */
function part(numbers: readonly number[]): Site {
  const keep = new Set(numbers.map((n) => `c${String(n).padStart(2, '0')}`));
  const of = <T extends { cameraId?: string; id: string }>(facts: Readonly<Record<string, T>>) =>
    Object.fromEntries(Object.entries(facts).filter(([, fact]) => keep.has(fact.cameraId ?? fact.id)));
  const run = of(site.run);
  return {
    ...site,
    run,
    camera: of(site.camera),
    choice: {},
    placement: {},
    reading: Object.fromEntries(Object.entries(site.reading).filter(([, { runId }]) => runId in run)),
  };
}

/** The least that any choice of options weighs that no demand rules out, by trying them all; slots and racks are roomy for so few. */
function bruteForce(at: Site, demands: Demands): number {
  const { candidates, site: input } = planningInput(at, demands);
  let best = Infinity;
  const chosen: FeasibleOption[] = [];
  const next = (index: number, weight: number): void => {
    const camera = candidates.cameras[index];
    if (!camera) {
      const total = totalOf(input, chosen);
      if (demands.caps.darkHours === undefined || total.darkHours <= demands.caps.darkHours + 1e-9)
        best = Math.min(best, total.cost + weight);
      return;
    }
    for (const candidate of camera.candidates) {
      if (candidate.ruledOutBy.length > 0) continue;
      chosen.push(candidate.option);
      next(index + 1, weight + candidate.weight);
      chosen.pop();
    }
  };
  next(0, 0);
  return best;
}

describe('the best plan', { timeout: 60_000 }, () => {
  it.each<[string, number[], Partial<Demands>]>([
    ['the hall', [1, 2, 3, 4, 5], {}],
    ['the workshop, each view as it needs', [17, 18, 19, 20, 21], { goal: 'view' }],
    [
      'lanes and kiosks, dark time first',
      [6, 7, 8, 9],
      { policies: { ...usualDemands.policies, order: 'dark' } },
    ],
    [
      'workshop and shed, recabled first',
      [17, 18, 20, 22],
      { policies: { ...usualDemands.policies, route: 'recable' } },
    ],
    ['the hall mended only, with little dark time', [1, 2, 5, 8], { goal: 'mend', caps: { darkHours: 2 } }],
    ['enough for pairs to give way to a unit', [1, 2, 4, 5, 17, 19], { goal: 'ip' }],
  ])('of %s is what trying everything finds', (_, numbers, demands) => {
    const at = part(numbers);
    expect(plan(at, demands).totals.weighed).toBeCloseTo(bruteForce(at, under(demands)), 4);
  });
  it('of the whole site is proven, names an option for every camera, and its cost is what the options come to', () => {
    const best = plan(site);
    expect(best.proof).toEqual({ kind: 'proven' });
    expect(Object.keys(best.options)).toHaveLength(24);
    const { runs } = evaluateSite({ ...site, demands: { demands: under({}) } });
    const chosen = runs.flatMap(({ camera, options }) =>
      options.filter(
        (option): option is FeasibleOption =>
          option.kind === best.options[camera.id] && option.state !== 'no',
      ),
    );
    expect(totalOf(site, chosen, best.buys).cost).toBe(best.totals.cost);
    expect(chosen.every(({ state }) => state !== 'fails')).toBe(true);
  });
  it('uses a multi-port unit where many cameras share it, and pairs where few do', () => {
    const kinds = (numbers: number[]) => new Set(Object.values(plan(part(numbers)).options));
    expect(kinds([1])).toEqual(new Set(['ip-coax-pair']));
    expect(kinds([1, 2, 4, 5, 17, 18, 19])).toContain('ip-coax-unit');
  });
  it('heeds a lock, whatever it costs', () => {
    const locked = after(site, [...choose(site, 'c11', { option: 'new-category', ...who, locked: true })]);
    expect(plan(locked).options['c11']).toBe('new-category');
    expect(plan(locked).totals.weighed).toBeGreaterThan(plan(site).totals.weighed);
    expect(plan(after(locked, lockChoice(locked, 'c11', false))).options['c11']).not.toBe('new-category');
  });
  it('asking more never makes it cheaper', () => {
    const cheap = plan(site, { goal: 'mend' }).totals.weighed;
    expect(plan(site, { goal: 'ip' }).totals.weighed).toBeGreaterThanOrEqual(cheap);
    const free = plan(site);
    expect(plan(site, { caps: { darkHours: free.totals.darkHours - 1 } }).totals.weighed).toBeGreaterThan(
      free.totals.weighed,
    );
    expect(
      plan(site, { caps: { darkHours: free.totals.darkHours - 1 } }).totals.darkHours,
    ).toBeLessThanOrEqual(free.totals.darkHours - 1 + 1e-6);
  });
  it('a warden who minds everything keeps boxes out of the listed hall', () => {
    const { options } = plan(site, withPolicy(usualDemands, 'listed', 'nothing-new'));
    for (const id of ['c01', 'c02', 'c04']) expect(options[id]).toMatch(/^(hd-coax|power-fix|keep)$/);
    expect(plan(site).options['c01']).toMatch(/^ip-coax/);
  });
  it('retires only what may go', () => {
    expect(Object.values(plan(site, { goal: 'mend' }).options)).not.toContain('retire');
    const agreed = { ...site, camera: { ...site.camera, c24: { ...site.camera['c24']!, mayGo: true } } };
    expect(plan(agreed).options['c24']).toBe('retire');
  });
  it('buys a recorder where there are too few slots', () => {
    const small = {
      ...site,
      recorder: {
        ...site.recorder,
        'hall-recorder': {
          ...site.recorder['hall-recorder']!,
          limits: { ...site.recorder['hall-recorder']!.limits, ipCameras: 2 },
        },
        'marshalling-recorder': {
          ...site.recorder['marshalling-recorder']!,
          limits: { ...site.recorder['marshalling-recorder']!.limits, ipCameras: 0 },
        },
      },
    };
    const { buys, totals } = plan(small);
    expect(buys.reduce((sum, { count }) => sum + count, 0)).toBeGreaterThan(0);
    expect(totals.cost).toBeGreaterThan(plan(site).totals.cost);
  });
  it('leaves slots to the cameras of the network: as many as are free change nothing, one more buys a recorder', () => {
    const alone = part([8]);
    const [hall] = Object.values(alone.recorder);
    const ipCameras = 3;
    const small = { ...hall!, limits: { ...hall!.limits, ipCameras } };
    const at = (count: number): Site => {
      let now: Site = { ...alone, recorder: { [hall!.id]: small } };
      for (let k = 0; k < count; k += 1) {
        const lead = { medium: 'category', lengthM: 10 } as const;
        const target = 'fixed-2mp';
        now = after(
          now,
          addNetworkCamera(now, { name: `Lane ${k}`, placeName: 'Quay', target, state: 'there', lead }),
        );
      }
      return now;
    };
    const demands = { goal: 'ip' } as const;
    expect(plan(at(ipCameras - 1), demands).buys).toEqual([]);
    expect(plan(at(ipCameras), demands).buys).toHaveLength(1);
  });
});

describe('the unknowns', () => {
  it('of the best solution cost what the plan weighs', () => {
    const input = planningInput(site, usualDemands);
    const best = planSite(solver, input);
    if (best.kind !== 'plan') throw new Error(best.kind);
    const values = input.model.programme.variables.map(() => 0);
    for (const { camera, candidate, variable } of input.model.picks)
      if (best.plan.options[camera.cameraId] === candidate.option.kind) values[variable] = 1;
    const picked = input.model.picks.reduce(
      (sum, { variable }) => sum + values[variable]! * input.model.programme.variables[variable]!.cost,
      0,
    );
    expect(costOf(input.model.programme, values)).toBeCloseTo(picked, 6);
    expect(best.plan.totals.weighed).toBeGreaterThanOrEqual(picked);
  });
});

describe('what cannot be', () => {
  const conflict = (at: Site, demands: Partial<Demands>) => {
    const planning = planned(at, demands);
    return planning.kind === 'conflict' ? planning.conflict : null;
  };
  it('a cap on cost against the goal is told in words, with what would free it', () => {
    const found = conflict(site, { caps: { cost: 5000 } });
    expect(found?.demands.map(({ demand }) => demand)).toEqual(
      expect.arrayContaining([{ kind: 'cap', of: 'cost' }, { kind: 'goal' }]),
    );
    expect(found?.demands).toHaveLength(2);
    expect(found?.message).toMatch(/cannot all be met: (?=.*every camera goes IP)(?=.*at most 5.000)/);
    expect(found?.demands.every(({ wayOut }) => wayOut)).toBe(true);
    // The cheapest way out comes first, with what the best plan costs then.
    const [mend, uncapped] = found!.demands;
    expect([mend!.demand, uncapped!.demand]).toEqual([{ kind: 'goal' }, { kind: 'cap', of: 'cost' }]);
    expect(mend!.costThen).toBeLessThanOrEqual(5000);
    expect(uncapped!.costThen).toBe(plan(site).totals.cost);
  });
  it('one camera never stops the site without being named, nor do two that have nothing in common', () => {
    const twenty = conflict(site, { sparePercent: 20 })!;
    const named = twenty.demands.flatMap(({ demand }) => (demand.kind === 'spare' ? [demand.cameraId] : []));
    expect(named.length).toBeGreaterThan(0);
    expect(named).not.toContain(null);
    for (const id of named)
      expect(twenty.message).toContain(
        `20 % of every limit is left over at camera ${site.camera[id!]!.number}`,
      );
    // Each of them is stuck by itself: without the others it is no other way.
    for (const id of named) {
      const { number } = site.camera[id!]!;
      expect(planned(part([number]), { sparePercent: 20 }).kind).toBe('conflict');
    }
  });
  it('two caps that exclude each other', () => {
    const dark = plan(site).totals;
    const found = conflict(site, {
      caps: { cost: dark.cost + 50, darkHours: dark.darkHours - 2 },
    })!.demands.map(({ demand }) => demand);
    expect(found).toContainEqual({ kind: 'cap', of: 'darkHours' });
    expect(found.length).toBeGreaterThan(1);
  });
  it('a rack without room', () => {
    const rack = site.equipment['hall-rack']!;
    const full = {
      ...site,
      equipment: { ...site.equipment, 'hall-rack': { ...rack, gear: { kind: 'rack' as const, units: 4 } } },
      recorder: { 'hall-recorder': site.recorder['hall-recorder']! },
    };
    expect(conflict(full, {})?.message).toMatch(/rack at Ticket hall/);
  });
  it('a place without mains takes no switch, and says so at the option', () => {
    const dead = {
      ...site,
      place: { ...site.place, workshop: { ...site.place['workshop']!, mains: false } },
    };
    const option = evaluateSite(dead)
      .runs.find(({ camera }) => camera.number === 18)!
      .options.find(({ kind }) => kind === 'new-category');
    expect(option).toMatchObject({
      state: 'no',
      why: 'There is no mains at Workshop for a PoE switch.',
      remedy: expect.stringContaining('licensed') as string,
    });
  });
  it('a lock on what no longer holds counts for nothing and is named with the way out', () => {
    const broken = after(site, choose(site, 'c08', { option: 'keep', ...who, locked: true }));
    const { excluded, options } = plan(broken);
    expect(excluded).toEqual([
      expect.objectContaining({
        number: 8,
        message: expect.stringMatching(/locked on .*cannot be: volts by night.*unlock it/) as string,
      }),
    ]);
    expect(options['c08']).not.toBe('keep');
  });
  const dangerous = (runId: string): Reading => ({
    id: 'late',
    runId,
    test: 'foreign-ac-volts',
    value: 90,
    at: '2026-06-01T09:00:00Z',
    by: 'x',
    instrument: '',
  });
  const live = (runId: string): Change => ({ kind: 'reading', id: 'late', set: dangerous(runId) });
  it('a run with dangerous volts is left out until it is safe', () => {
    const { excluded, options } = plan(after(site, [live('r07')]));
    expect(options['c07']).toBeUndefined();
    expect(excluded[0]?.message).toMatch(/Camera 7 is left out: .*licensed/);
  });
  it('a camera that is left out goes on taking its amps: where they alone are too many it is named', () => {
    // The turning camera of the quay draws 4.2 A for a moment on a fuse of 3 A, and nobody may touch its run.
    const stopped = after(site, [live('r12')]);
    const found = conflict(stopped, {})!;
    expect(found.demands.map(({ demand }) => demand)).toEqual(
      expect.arrayContaining([
        { kind: 'stays', cameraId: 'c12' },
        { kind: 'fuse', supplyId: 'quay-box', output: 1 },
      ]),
    );
    expect(found.message).toMatch(/camera 12 stays as it hangs/);
    const fuse = found.demands.find(({ demand }) => demand.kind === 'fuse')!;
    expect(fuse.wayOut).toMatch(
      /larger fuse where the cores .* bear it: never a fuse above what the cores bear/,
    );
    const quay = site.supply['quay-box']!;
    const outputs = quay.outputs.map((output) => ({ ...output, fuseAmps: 6 }));
    const { options } = plan(after(stopped, [{ kind: 'supply', id: quay.id, set: { ...quay, outputs } }]));
    expect(options['c12']).toBeUndefined();
    expect(Object.keys(options)).toHaveLength(23);
  });
  it('and it stays on its input: where there is but one, nobody else gets it', () => {
    const hall = site.recorder['hall-recorder']!;
    const oneInput: Recorder = {
      ...hall,
      inputs: 1,
      rules: { kind: 'fixed-hybrid', ipSlots: 0 },
      limits: { ...hall.limits, ipCameras: 0 },
    };
    const at = (numbers: number[], isLive: boolean): Site => {
      const few = part(numbers);
      return {
        ...few,
        recorder: { [hall.id]: oneInput },
        reading: isLive ? { ...few.reading, late: dangerous('r03') } : few.reading,
        run: Object.fromEntries(
          Object.values(few.run).map((run) => [
            run.id,
            { ...run, headEndId: hall.placeId, patchedTo: { recorderId: hall.id, input: 1 } },
          ]),
        ),
      };
    };
    expect(plan(at([11], false), { goal: 'mend' }).buys).toEqual([]);
    const beside = planned(at([3, 11], true), { goal: 'mend' });
    expect(beside.kind === 'plan' ? beside.plan.buys.length : 1).toBe(1);
  });
  it('a box that starts after a power cut, and a fuse, are not asked for more than they bear', () => {
    const of = (fields: Partial<Supply>): Site => ({
      ...site,
      supply: { ...site.supply, 'hall-box': { ...site.supply['hall-box']!, ...fields } },
    });
    const draws = (at: Site): Draws[] => {
      const { options } = plan(at, { goal: 'mend' });
      return evaluateSite(at).runs.flatMap(({ camera, options: all }) => {
        const option = all.find(({ kind }) => kind === options[camera.id]);
        return option && option.state !== 'no' && option.draws?.supplyId === 'hall-box' ? [option.draws] : [];
      });
    };
    const sum = (all: Draws[], amps: 'amps' | 'startUpAmps') => all.reduce((so, one) => so + one[amps], 0);
    const free = draws(site);
    const most = sum(free, 'startUpAmps');
    // As much as it gives by night, but not while all start.
    const ratedAmps = (sum(free, 'amps') / 0.8 + most) / 2;
    expect(ratedAmps).toBeLessThan(most);
    expect(sum(draws(of({ ratedAmps })), 'startUpAmps')).toBeLessThanOrEqual(ratedAmps + 1e-9);
    // Two cameras on one output, each of which its fuse would bear by itself.
    const [first, second] = free as [Draws, Draws];
    const shared = of({
      outputs: site.supply['hall-box']!.outputs.map((output) => ({
        ...output,
        fuseAmps: (first.startUpAmps + second.startUpAmps) * 0.9,
      })),
    });
    const run = Object.values(site.run).find(
      ({ feed }) =>
        feed.kind !== 'local-adapter' && feed.output === second.output && feed.supplyId === 'hall-box',
    )!;
    const moved: Site = {
      ...shared,
      run: {
        ...shared.run,
        [run.id]: { ...run, feed: { kind: 'along-run', supplyId: 'hall-box', output: first.output } },
      },
    };
    const onFirst = draws(moved).filter(({ output }) => output === first.output);
    expect(sum(onFirst, 'startUpAmps')).toBeLessThanOrEqual(
      (first.startUpAmps + second.startUpAmps) * 0.9 + 1e-9,
    );
  });
  it('measured figures only leave out who nobody has measured', () => {
    const { excluded } = plan(site, { figures: 'measured-only' });
    expect(excluded.map(({ number }) => number)).toContain(15);
  });
});

describe('a plan stays good', () => {
  it('while only slots and kept plans change, and not once a lock, a reading or a price does', () => {
    const pinned = pin(site, plan(site), who);
    expect(pinned.kind === 'changes' && samePlanningInput(site, after(site, pinned.changes))).toBe(true);
    expect(samePlanningInput(site, after(site, choose(site, 'c09', { option: 'keep', ...who })))).toBe(true);
    expect(
      samePlanningInput(site, after(site, choose(site, 'c09', { option: 'keep', ...who, locked: true }))),
    ).toBe(false);
    expect(samePlanningInput(site, { ...site, product: {} })).toBe(false);
    // What was mended decides which readings count.
    expect(samePlanningInput(site, { ...site, mending: {} })).toBe(false);
    expect(samePlanningInput(site, { ...site })).toBe(true);
  });
});

describe('keeping plans', () => {
  const best = plan(site);
  it('four stand beside each other, and adopting one is recorded with its readings', () => {
    let at = site;
    for (let n = 0; n < 4; n += 1) {
      const pinned = pin(at, best, who);
      if (pinned.kind === 'full') throw new Error(pinned.message);
      at = after(at, pinned.changes);
    }
    expect(Object.values(at.savedPlan).map(({ name }) => name)).toEqual([
      'Plan',
      'Plan 2',
      'Plan 3',
      'Plan 4',
    ]);
    expect(pin(at, best, who)).toMatchObject({ kind: 'full' });
    const adopted = after(at, adopt(at, at.savedPlan['plan-2']!, who));
    const record = decisionRecord(adopted, evaluateSite(adopted));
    expect(record).toHaveLength(24);
    expect(record[0]).toMatchObject({
      plan: { name: 'Plan 2' },
      broken: null,
      since: [],
      restedOn: expect.any(Number) as number,
    });
    expect(unpin(adopted, 'plan-2')).toMatchObject([{ set: { pinned: false } }]);
    expect(unpin(adopted, 'plan')).toEqual([{ kind: 'savedPlan', id: 'plan', remove: true }]);
    expect(adopt(adopted, adopted.savedPlan['plan-2']!, who)).toEqual([]);
  });
  it('a reading that comes later and breaks what was chosen is named', () => {
    const adopted = after(site, adopt(site, plannedOf(best, 'p', 'P', who), who));
    expect(best.options['c14']).toBe('ip-coax-unit');
    const late: Change = {
      kind: 'reading',
      id: 'late',
      set: {
        id: 'late',
        runId: 'r14',
        test: 'coax-loop-ohms',
        value: 150,
        at: '2026-06-01T09:00:00Z',
        by: 'I. Marlow',
        instrument: 'Bench meter 1',
      },
    };
    const read = after(adopted, [late]);
    const of14 = decisionRecord(read, evaluateSite(read)).find(({ number }) => number === 14);
    expect(of14).toMatchObject({
      broken: expect.stringMatching(/watts/) as string,
      brokenBy: { id: 'late' },
    });
  });
});
