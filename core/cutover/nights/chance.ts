import { createRandom } from '#core/shared/random';
import { earliestByRules, type Timed } from './darkRules';
import type { NightRules } from './nightJob';
import type { PlannedJob } from './sequence';
import { quantileOf } from './spread';

/** So many nights are sampled: the chance is then known to half a percent. */
export const usualNights = 10_000;

/** When a night is over where its jobs take so long, in their order and by their teams. */
function endWith(
  jobs: readonly PlannedJob[],
  minutes: readonly number[],
  rules: NightRules,
  people: number,
): number {
  const free = new Array<number>(people).fill(0);
  const at = new Array<string | null>(people).fill(null);
  const timed: Timed[] = [];
  const ends = new Map<string, number>();
  let last = 0;
  jobs.forEach(({ job, team }, index) => {
    const reached = team.map(
      (person) => free[person]! + (at[person] !== null && at[person] !== job.place ? rules.walkMinutes : 0),
    );
    const from = Math.max(0, ...reached, ...job.needs.map((id) => ends.get(id) ?? 0));
    const start = earliestByRules(job, minutes[index]!, from, timed, rules.mostDark);
    const end = start + minutes[index]!;
    timed.push({ job, start, end });
    ends.set(job.id, end);
    for (const person of team) {
      free[person] = end;
      at[person] = job.place;
    }
    last = Math.max(last, end);
  });
  return last;
}

/** The chance, from 0 to 1, with which a night that was planned is over within its shift: the share of sampled nights. */
export function chanceOf(
  jobs: readonly PlannedJob[],
  rules: NightRules,
  { nights = usualNights, seed = 1 }: { nights?: number; seed?: number } = {},
): number {
  if (jobs.length === 0) return 1;
  const random = createRandom(seed);
  const people = 1 + Math.max(...jobs.flatMap(({ team }) => team));
  let within = 0;
  for (let night = 0; night < nights; night += 1) {
    const minutes = jobs.map(({ job }) => quantileOf(job.minutes, random()));
    if (endWith(jobs, minutes, rules, people) <= rules.shiftMinutes) within += 1;
  }
  return within / nights;
}
