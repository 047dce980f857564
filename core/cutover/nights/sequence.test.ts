import { describe, expect, it } from 'vitest';
import { createRandom } from '#core/shared/random';
import type { NightJob, NightRules } from './nightJob';
import { latestStartOf } from './plannedJob';
import { sequenceNight } from './sequence';
import { eightHours, jobOf, randomJobs, twoPeople } from './testJob';
import { soonestByAll } from './testSoonest';

const rules = eightHours;
const crew = twoPeople;
const job = (id: string, over: Partial<NightJob> & { likely?: number } = {}): NightJob =>
  jobOf(id, { dark: [{ view: id, minutes: 15 }], ...over });

describe('the order of a night', () => {
  it('is over as soon as any order and any teams let it be', () => {
    const random = createRandom(11);
    for (let round = 0; round < 60; round += 1) {
      const jobs = randomJobs(random, 5);
      const held = {
        ...rules,
        mostDark:
          round % 2 ? [{ name: 'lanes', views: ['j0', 'j1', 'j2'], most: 1, exceptRestarts: false }] : [],
      };
      const { sequence, isExact } = sequenceNight(jobs, crew, held);
      const best = soonestByAll(jobs, crew, held);
      expect(sequence?.end ?? null).toBe(best);
      expect(isExact).toBe(true);
    }
  });
  it('keeps people in one place at a time, what is needed first, and views from being dark together', () => {
    const jobs = [
      job('unit', { skills: ['network'], dark: [], place: 'hall' }),
      job('c08', { needs: ['unit'] }),
      job('c09', { needs: ['unit'] }),
    ];
    const held = {
      ...rules,
      mostDark: [{ name: 'lanes', views: ['c08', 'c09'], most: 1, exceptRestarts: false }],
    };
    const { jobs: planned } = sequenceNight(jobs, crew, held).sequence!;
    const at = new Map(planned.map((one) => [one.job.id, one]));
    expect(at.get('c08')!.start).toBeGreaterThanOrEqual(at.get('unit')!.end);
    const [first, second] = [at.get('c08')!, at.get('c09')!].sort((a, b) => a.start - b.start);
    expect(second!.start).toBeGreaterThanOrEqual(first!.end);
    // Without the rule both go on at once, as soon as each is there.
    expect(sequenceNight(jobs, crew, rules).sequence!.end).toBeLessThan(Math.max(first!.end, second!.end));
  });
  it('begins nothing so late that it could not be taken back', () => {
    const long = job('c12', { likely: 120, rollBackMinutes: 40 });
    // 480 − 40 − 30 and the time that nine of ten of its kind take: 192 − √(0.1 · 96 · 72).
    expect(latestStartOf(long, rules)).toBeCloseTo(480 - (192 - Math.sqrt(0.1 * 96 * 72)) - 40 - 30, 9);
    expect(sequenceNight([long, job('a', { likely: 400, people: 2 })], crew, rules).sequence).toBeNull();
  });
});

describe('jobs that are alike', () => {
  const four = [
    ...crew,
    { id: 'hand-1', skills: ['cable', 'height'] },
    { id: 'hand-2', skills: ['cable', 'height'] },
  ];
  /** Jobs of two sorts at two places, or each at one of its own; some wait for the first, which may be two people’s. */
  function alikeJobs(random: () => number, count: number): NightJob[] {
    const pick = (n: number) => Math.floor(random() * n);
    const isApart = random() < 0.3;
    return Array.from({ length: count }, (_, k) =>
      job(`j${k}`, {
        likely: [70, 120][pick(2)]!,
        people: 1 + pick(2),
        place: isApart ? `own ${k}` : `place ${pick(2)}`,
        needs: k > 0 && random() < 0.3 ? ['j0'] : [],
        sameNight: k > 0 && random() < 0.15 ? 'j0' : null,
        by: random() < 0.1 ? ['tolland'] : [],
      }),
    );
  }
  const held = (round: number): NightRules => ({
    ...rules,
    shiftMinutes: 420,
    mostDark:
      round % 3 === 0 ? [{ name: 'lanes', views: ['j0', 'j1', 'j3'], most: 1, exceptRestarts: false }] : [],
    weights: round % 4 === 0 ? { j2: 3 } : {},
  });
  it('stand for each other, and the night is over as soon as any order lets it be', () => {
    const random = createRandom(23);
    let planned = 0;
    for (let round = 0; round < 30; round += 1) {
      const jobs = alikeJobs(random, 5);
      const people = round % 2 ? crew : four;
      const by = held(round);
      const { sequence, isExact } = sequenceNight(jobs, people, by);
      expect(isExact).toBe(true);
      expect(sequence?.end ?? null).toBe(soonestByAll(jobs, people, by));
      if (sequence) planned += 1;
    }
    expect(planned).toBeGreaterThan(10);
  });
  it('are gone through in full where there are ten of them', () => {
    const ten = (likely: number) =>
      Array.from({ length: 10 }, (_, k) => job(`j${k}`, { likely, people: 2, place: `own ${k}` }));
    // Two teams do five each: 5 · 60 minutes and four walks of 6, the last begun after 4 · 66.
    expect(sequenceNight(ten(60), four, rules)).toMatchObject({ isExact: true, sequence: { end: 324 } });
    // The fifth of 90 minutes would begin after 4 · 96, and 480 − 30 − 20 − 118.8 is the latest.
    expect(sequenceNight(ten(90), four, rules)).toEqual({ isExact: true, sequence: null });
  });
});
