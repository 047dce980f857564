import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { createRandom } from '#core/shared/random';
import { chanceOf } from './chance';
import { areMorningsHeld, type MorningLimit } from './morningLimits';
import type { NightDemand } from './nightDemand';
import { mayBeInNight, type NightJob, type NightRules } from './nightJob';
import type { PlannedNight } from './cheapestNights';
import { nightPatterns } from './nightPatterns';
import { planNights } from './planNights';
import { usualSpread } from './spread';
import { sequenceNight } from './sequence';
import { eightHours, jobOf, randomJobs, twoPeople } from './testJob';
import { soonestByAll } from './testSoonest';

const highs = await loadHighs();
const rules = eightHours;
const crew = twoPeople;
const job = (id: string, over: Partial<NightJob> & { likely?: number } = {}): NightJob =>
  jobOf(id, { dark: [{ view: id, minutes: 15 }], ...over });

describe('the chance of a night', () => {
  it('is that of its one job, by the area of the triangle', () => {
    const only = sequenceNight([job('c12', { likely: 300, rollBackMinutes: 0 })], crew, {
      ...rules,
      reserveMinutes: 0,
    }).sequence!;
    const within = 1 - (480 - 420) ** 2 / (240 * 180);
    expect(chanceOf(only.jobs, { ...rules, shiftMinutes: 420 })).toBeCloseTo(within, 2);
  });
  it('is less with more to do, and the same for the same seed', () => {
    const jobs = Array.from({ length: 10 }, (_, k) => job(`j${k}`, { likely: 75, rollBackMinutes: 0 }));
    const of = (count: number) =>
      chanceOf(sequenceNight(jobs.slice(0, count), crew, rules).sequence!.jobs, rules);
    expect(of(8)).toBe(1);
    expect(of(10)).toBeLessThan(1);
    expect(of(10)).toBe(of(10));
  });
});

describe('the nights', () => {
  const perNight = 10_000;
  /** The least cost by every way to share jobs out over nights. */
  function leastByAll(
    jobs: readonly NightJob[],
    most: number,
    by: NightRules,
    limits: readonly MorningLimit[] = [],
  ): number | null {
    const fits = new Map<number, boolean>();
    const isNight = (mask: number): boolean => {
      const known = fits.get(mask);
      if (known !== undefined) return known;
      const some = jobs.filter((_, index) => mask & (1 << index));
      const restarts = some.flatMap(({ restarts: one }) => one ?? []);
      const { sequence } = sequenceNight(some, crew, by);
      const is =
        new Set(restarts).size === restarts.length &&
        soonestByAll(some, crew, by) !== null &&
        chanceOf(sequence!.jobs, by) >= by.sureChance;
      fits.set(mask, is);
      return is;
    };
    const costOf = (mask: number): number => {
      const some = jobs.filter((_, index) => mask & (1 << index));
      const lifts = new Set(some.flatMap(({ lift }) => lift ?? [])).size;
      return perNight + 20 * lifts + new Set(some.map(({ place }) => place)).size;
    };
    const isHeld = (mask: number): boolean =>
      limits.every(({ before, most: can, changes }) => {
        const some = jobs.filter((_, index) => mask & (1 << index));
        return some.reduce((sum, { id }) => sum + changes[id]!, before) <= can;
      });
    const all = (1 << jobs.length) - 1;
    let best: number | null = null;
    const go = (done: number, night: number, cost: number): void => {
      if (done === all) best = best === null ? cost : Math.min(best, cost);
      if (done === all || night === most) return;
      const left = all & ~done;
      for (let mask = left; mask >= 0; mask = mask === 0 ? -1 : (mask - 1) & left) {
        const may = jobs.every(
          (one, index) =>
            !(mask & (1 << index)) ||
            (mayBeInNight(one, night) &&
              one.needs.every((id) => (done | mask) & (1 << jobs.findIndex((other) => other.id === id)))),
        );
        if (may && isHeld(done | mask) && isNight(mask)) go(done | mask, night + 1, cost + costOf(mask));
      }
    };
    go(0, 0, 0);
    return best;
  }
  const costOf = (nights: readonly PlannedNight[]): number =>
    nights.reduce(
      (sum, { jobs }) => {
        const some = jobs.map((one) => one.job);
        const lifts = new Set(some.flatMap(({ lift }) => lift ?? [])).size;
        return sum + 20 * lifts + new Set(some.map(({ place }) => place)).size;
      },
      perNight * (1 + Math.max(...nights.map(({ night }) => night))),
    );

  it('are the fewest, with the fewest lifts and places, of every way to share the jobs out', () => {
    const random = createRandom(5);
    for (let round = 0; round < 24; round += 1) {
      const short = { ...rules, shiftMinutes: 330 };
      const drawn = randomJobs(random, 6);
      // In the second half a night has room for so many that its patterns leave the ways out.
      const jobs = drawn.map((one, k) =>
        round < 12 ? one : { ...one, minutes: usualSpread([50, 80, 110][k % 3]!) },
      );
      const looked = nightPatterns(
        jobs,
        { crew, rules: short },
        { isNight: () => false, hasTime: () => true },
      );
      if (round >= 12) expect(looked?.arePlaced).toBe(false);
      const plan = planNights(highs, { jobs, crew, rules: short, nights: 4 });
      const best = leastByAll(jobs, 4, short);
      if (plan.kind === 'planned') {
        expect(plan.proof).toEqual({ kind: 'proven' });
        expect(costOf(plan.nights)).toBe(best);
        const planned = plan.nights.flatMap((night) => night.jobs.map((one) => one.job));
        expect(new Set(planned)).toEqual(new Set(jobs));
        expect(plan.nights.every(({ chance }) => chance >= 0.9)).toBe(true);
      } else expect(best).toBeNull();
    }
  });
  it('are the fewest of those that leave nothing overloaded in any morning between', () => {
    const random = createRandom(29);
    let held = 0;
    for (let round = 0; round < 12; round += 1) {
      const short = { ...rules, shiftMinutes: 270 };
      const jobs = randomJobs(random, 5);
      // In whole watts, so that both ways of adding up come to the same.
      const changes = Object.fromEntries(jobs.map(({ id }) => [id, Math.floor(random() * 17) - 8]));
      const after = Object.values(changes).reduce((sum, change) => sum + change, 20);
      const limit = {
        name: 'Quay box',
        label: 'watts',
        unit: 'W',
        most: Math.max(20, after),
        before: 20,
      } as const;
      const mornings = [{ ...limit, changes }];
      const plan = planNights(highs, { jobs, crew, rules: short, nights: 4, mornings });
      const best = leastByAll(jobs, 4, short, mornings);
      expect(plan.kind === 'planned' ? costOf(plan.nights) : null).toBe(best);
      const byLimit = (found: typeof plan) =>
        found.kind === 'planned' &&
        areMorningsHeld(
          mornings,
          found.nights.map((night) => night.jobs.map((one) => one.job)),
        );
      expect(byLimit(plan)).toBe(plan.kind === 'planned');
      if (!byLimit(planNights(highs, { jobs, crew, rules: short, nights: 4 }))) held += 1;
    }
    // Without the limit some of them would be overloaded.
    expect(held).toBeGreaterThan(2);
  });
  it('say what would be overloaded where no order keeps it from that', () => {
    const mornings = [
      {
        name: 'Quay box',
        label: 'watts',
        unit: 'W',
        most: 20,
        before: 18,
        changes: { a: 4, b: -4 },
      } as const,
    ];
    const jobs = [job('a', { pinned: 0 }), job('b', { pinned: 1 })];
    expect(planNights(highs, { jobs, crew, rules, nights: 3, mornings })).toEqual({
      kind: 'conflict',
      demands: expect.arrayContaining([{ kind: 'morning', of: 'Quay box' }]) as NightDemand[],
    });
  });
  it('hold what was promised for its night', () => {
    const jobs = [job('a'), job('b', { pinned: 1 }), job('c', { pinned: 0 })];
    const plan = planNights(highs, { jobs, crew, rules, nights: 3 });
    const ids =
      plan.kind === 'planned' ? plan.nights.map((night) => night.jobs.map((one) => one.job.id).sort()) : [];
    expect(ids).toEqual([expect.arrayContaining(['c']), expect.arrayContaining(['b'])]);
  });
  it('put a job into the hours and the nights that it is held to, and say where those leave it none', () => {
    const lift = { from: 60, to: 240, why: 'the lift is there from 22:00 to 01:00' };
    const later = { nights: [2], why: 'its parts come on 14 May' };
    const jobs = [job('a', { window: lift }), job('b', { allowed: later })];
    const plan = planNights(highs, { jobs, crew, rules, nights: 3 });
    if (plan.kind !== 'planned') throw new Error(plan.kind);
    const planned = new Map(plan.nights.flatMap((night) => night.jobs.map((one) => [one.job.id, one])));
    expect(planned.get('a')!.start).toBe(60);
    expect(planned.get('a')!.latestStart).toBeCloseTo(240 - (96 - Math.sqrt(0.1 * 48 * 36)) - 20, 9);
    expect(plan.nights.find(({ jobs: some }) => some.some((one) => one.job.id === 'b'))?.night).toBe(2);
    const none = (over: Parameters<typeof job>[1]) =>
      planNights(highs, { jobs: [job('a', over)], crew, rules, nights: 3 });
    expect(none({ allowed: { ...later, nights: [] } })).toEqual({
      kind: 'impossible',
      jobs: [{ id: 'a', why: 'has no night left to it: its parts come on 14 May' }],
    });
    expect(none({ window: { ...lift, to: 120 } })).toEqual({
      kind: 'impossible',
      jobs: [
        {
          id: 'a',
          why: expect.stringMatching(
            /^takes 1 h 43 min with .*, and has 1 h 00 min of the shift: the lift is there/,
          ) as string,
        },
      ],
    });
  });
  it('that cannot be say what stands against them', () => {
    const plan = (jobs: NightJob[], over: Partial<Parameters<typeof planNights>[1]> = {}) =>
      planNights(highs, { jobs, crew, rules, nights: 2, ...over });
    expect(plan([job('c12', { likely: 500 })])).toEqual({
      kind: 'impossible',
      jobs: [
        {
          id: 'c12',
          why: expect.stringMatching(/^takes 1\d h \d\d min .* the shift has 8 h 00 min$/) as string,
        },
      ],
    });
    expect(plan([job('feed', { skills: ['electrician'] })])).toEqual({
      kind: 'impossible',
      jobs: [{ id: 'feed', why: 'nobody of the crew is down for electrician' }],
    });
    expect(plan([job('c12', { people: 3 })])).toEqual({
      kind: 'impossible',
      jobs: [{ id: 'c12', why: 'takes 3 people, and the crew is 2 people' }],
    });
    const many = Array.from({ length: 30 }, (_, k) => job(`j${k}`, { likely: 90 }));
    expect(plan(many)).toEqual({ kind: 'conflict', demands: [{ kind: 'crew', skill: null }] });
    const [a, b] = ['a', 'b'].map((id) => job(id, { pinned: 0, restarts: 'hall-recorder' }));
    expect(plan([a!, b!])).toEqual({
      kind: 'conflict',
      demands: expect.arrayContaining([{ kind: 'restart', of: 'hall-recorder' }]) as NightDemand[],
    });
  });
});
