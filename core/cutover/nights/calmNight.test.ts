import { describe, expect, it } from 'vitest';
import { createRandom } from '#core/shared/random';
import { calmNight } from './calmNight';
import { darkMinutes } from './darkRules';
import { leastDark } from './leastDark';
import { teamsFor, type NightJob } from './nightJob';
import { latestStartOf } from './plannedJob';
import { eightHours, jobOf, twoPeople } from './testJob';
import { timedNight, type GivenJob } from './timedNight';

const rules = { ...eightHours, sureChance: 0, weights: { v1: 3 } };
const crew = twoPeople;
const turn = (views: string[]) =>
  jobOf('turn', {
    likely: 24,
    skills: ['network'],
    place: 'hall',
    dark: views.map((view) => ({ view, minutes: 4 })),
  });
const under = (k: number, over: Partial<NightJob> & { likely?: number } = {}) =>
  jobOf(`s${k}`, {
    place: `place ${k}`,
    dark: [{ view: `v${k}`, minutes: 20 }],
    needs: ['turn'],
    sameNight: 'turn',
    ...over,
  });

/** The fewest dark minutes by every order and every team. */
function fewestByAll(jobs: readonly NightJob[]): number {
  let best = Infinity;
  const go = (given: GivenJob[], left: readonly NightJob[]): void => {
    if (left.length === 0) {
      const timed = timedNight(given, rules);
      const isInTime = timed.every(({ job, start }) => start <= latestStartOf(job, rules));
      if (isInTime) best = Math.min(best, darkMinutes(timed, rules.weights));
      return;
    }
    for (const job of left) {
      if (job.needs.some((id) => left.some((other) => other.id === id))) continue;
      for (const team of teamsFor(job, crew))
        go(
          [...given, { job, team }],
          left.filter((other) => other !== job),
        );
    }
  };
  go([], jobs);
  return best;
}

describe('the calmest order of a night', () => {
  it('leaves views dark for no longer than any order and any teams could', () => {
    const random = createRandom(8);
    for (let round = 0; round < 30; round += 1) {
      const jobs = [
        turn(['v1', 'v2']),
        under(1, { likely: 30 + 10 * Math.floor(random() * 6) }),
        under(2, { likely: 30 + 10 * Math.floor(random() * 6), people: random() < 0.5 ? 2 : 1 }),
        jobOf('other', {
          likely: 80,
          dark: [{ view: 'v9', minutes: 40 }],
          people: 1 + Math.floor(random() * 2),
        }),
      ];
      const calm = calmNight(jobs, crew, rules)!;
      // Orders in which a job begins before one that was named earlier are not among those that are searched; none of them is darker by that.
      expect(darkMinutes(calm.jobs, rules.weights)).toBeLessThanOrEqual(fewestByAll(jobs) + 1e-9);
    }
  });
  it('does so where jobs are alike but for what else is about their views', () => {
    const random = createRandom(4);
    const pick = (n: number) => Math.floor(random() * n);
    for (let round = 0; round < 30; round += 1) {
      const jobs = Array.from({ length: 4 }, (_, k) =>
        jobOf(`j${k}`, {
          likely: [40, 90][pick(2)]!,
          place: `place ${pick(2)}`,
          // Some are about the same view, one of which counts three times.
          dark: [{ view: `v${pick(3)}`, minutes: 30 }],
        }),
      );
      const calm = calmNight(jobs, crew, rules)!;
      expect(darkMinutes(calm.jobs, rules.weights)).toBeLessThanOrEqual(fewestByAll(jobs) + 1e-9);
    }
  });
  it('puts what belongs to a turn right behind it, where the soonest end would not', () => {
    const jobs = [turn(['v1']), under(1), jobOf('long', { likely: 200, people: 2, place: 'quay' })];
    const at = new Map(calmNight(jobs, crew, rules)!.jobs.map((one) => [one.job.id, one.start]));
    expect(at.get('s1')! - at.get('turn')!).toBeLessThanOrEqual(30);
  });
  it('is put aside where it is not as sure as was asked for', () => {
    const jobs = [turn(['v1']), under(1)];
    expect(calmNight(jobs, crew, { ...rules, sureChance: 1.1 })!.jobs).toHaveLength(2);
    expect(calmNight([jobOf('a', { likely: 500 })], crew, rules)).toBeNull();
  });
});

describe('the least that is dark', () => {
  it('is what each job leaves dark, and of a turn and what is under it the calmest order', () => {
    const alone = jobOf('a', { dark: [{ view: 'v9', minutes: 40 }] });
    expect(leastDark([alone], crew, rules)).toBe(40);
    const group = [turn(['v1']), under(1)];
    const calm = darkMinutes(calmNight(group, crew, rules)!.jobs, rules.weights);
    expect(leastDark([alone, ...group], crew, rules)).toBe(40 + calm);
  });
  it('is without end where what belongs together is more than a night holds', () =>
    expect(leastDark([turn(['v1']), under(1, { likely: 400 })], crew, rules)).toBe(Infinity));
});
