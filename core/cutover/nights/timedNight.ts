import { earliestByRules, type Timed } from './darkRules';
import type { NightJob, NightRules } from './nightJob';
import { latestStartOf, type PlannedJob } from './plannedJob';

/** A job with those who do it, by their places in the crew. */
export interface GivenJob {
  job: NightJob;
  team: readonly number[];
}

/** How long each job takes, and what has begun already; minutes after the beginning of the shift. */
interface Course {
  /** Minutes of a job by its place in the order. */
  minutesOf: (index: number) => number;
  /** Jobs that have begun, by their id; `null` ends are to come. */
  begun?: ReadonlyMap<string, { start: number; end: number | null }>;
  /** Nothing begins before now. */
  now?: number;
}

const asLikely = (given: readonly GivenJob[]): Course => ({
  minutesOf: (index) => given[index]!.job.minutes.likely,
});

/**
 * When the jobs of a night begin and end where they are done in this order by these people: each as soon as its people, what it needs and the
 * rules let it. Where a job breaks a rule by itself it is placed all the same, for whoever looks at what is wrong.
 */
export function timedNight(
  given: readonly GivenJob[],
  rules: NightRules,
  { minutesOf, begun = new Map(), now = 0 }: Course = asLikely(given),
): PlannedJob[] {
  const jobs = given.map(({ job }) => job);
  const last = new Map<number, { end: number; place: string }>();
  const timed: (Timed & PlannedJob)[] = [];
  given.forEach(({ job, team }, index) => {
    const minutes = minutesOf(index);
    const actual = begun.get(job.id);
    const reached = team.map((person) => {
      const before = last.get(person);
      return before ? before.end + (before.place === job.place ? 0 : rules.walkMinutes) : 0;
    });
    const needed = timed.filter(({ job: other }) => job.needs.includes(other.id)).map(({ end }) => end);
    const from = Math.max(now, job.window?.from ?? 0, ...reached, ...needed);
    const start =
      actual?.start ?? earliestByRules({ job, minutes, jobs }, from, timed, rules.mostDark) ?? from;
    const end = actual?.end ?? Math.max(start + minutes, actual ? now : 0);
    timed.push({ job, team, start, end, latestStart: latestStartOf(job, rules) });
    for (const person of team) last.set(person, { end, place: job.place });
  });
  return timed;
}

/** When the last of a night is done. */
export const endOfNight = (timed: readonly Timed[]): number => Math.max(0, ...timed.map(({ end }) => end));
