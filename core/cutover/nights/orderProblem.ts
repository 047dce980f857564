import { alikeBefore } from './alikeJobs';
import { teamsFor, type NightJob, type NightRules, type Worker } from './nightJob';
import { latestStartOf } from './plannedJob';

/** What an order is the best for: that the night is over soon, or that views are dark for few minutes, and of those orders the soonest. */
export type Aim = 'soonest' | 'calmest';

/** A night whose order is sought, with what every step asks of it. Jobs and people are named by their place among them. */
export interface OrderProblem {
  jobs: readonly NightJob[];
  crew: readonly Worker[];
  rules: NightRules;
  aim: Aim;
  /** What each job needs, a bit for each of those. */
  needs: readonly number[];
  teams: readonly (readonly (readonly number[])[])[];
  latest: readonly number[];
  likely: readonly number[];
  /** The job before each that it could change places with; −1 where there is none. */
  alike: readonly number[];
  /** People who can do the same, and whom no job asks for, are of one kind. */
  kindOf: readonly number[];
  placeOf: readonly number[];
  /** The jobs at the place of each, a bit for each of those. */
  atPlace: readonly number[];
  /** Later than this no job ends that is begun in time. */
  latestEnd: number;
}

/** Alike names as the same number, counted from 0. */
function numbered(names: readonly string[]): number[] {
  const known = new Map<string, number>();
  return names.map((name) => {
    if (!known.has(name)) known.set(name, known.size);
    return known.get(name)!;
  });
}

const maskOf = (indices: readonly number[]): number =>
  indices.reduce((mask, index) => mask | (1 << index), 0);

export function orderProblem(
  jobs: readonly NightJob[],
  crew: readonly Worker[],
  rules: NightRules,
  aim: Aim,
): OrderProblem {
  const indexOf = new Map(jobs.map(({ id }, index) => [id, index]));
  const asked = new Set(jobs.flatMap(({ by }) => by));
  const latest = jobs.map((job) => latestStartOf(job, rules));
  const placeOf = numbered(jobs.map(({ place }) => place));
  return {
    jobs,
    crew,
    rules,
    aim,
    needs: jobs.map((job) => maskOf(job.needs.flatMap((id) => indexOf.get(id) ?? []))),
    teams: jobs.map((job) => teamsFor(job, crew)),
    latest,
    likely: jobs.map(({ minutes }) => minutes.likely),
    alike: alikeBefore(jobs, rules),
    kindOf: numbered(crew.map(({ id, skills }) => `${asked.has(id) ? id : ''} ${[...skills].sort().join()}`)),
    placeOf,
    atPlace: placeOf.map((place) => maskOf(placeOf.flatMap((other, k) => (other === place ? [k] : [])))),
    latestEnd: Math.max(0, ...jobs.map(({ minutes }, index) => latest[index]! + minutes.likely)),
  };
}
