import type { ToAssign } from './assignment';
import { areMorningsHeld, type MorningLimit } from './morningLimits';
import { mayBeInNight, type NightJob } from './nightJob';

type Fits = (jobs: readonly NightJob[]) => boolean;

/** Jobs that have to be in one night, together. */
function groupsOf(jobs: readonly NightJob[]): NightJob[][] {
  const ids = new Set(jobs.map(({ id }) => id));
  const groups = new Map<string, NightJob[]>();
  for (const job of jobs) {
    const key = job.sameNight !== null && ids.has(job.sameNight) ? job.sameNight : job.id;
    groups.set(key, [...(groups.get(key) ?? []), job]);
  }
  return [...groups.values()];
}

const work = (group: readonly NightJob[]): number =>
  group.reduce((sum, { minutes, people }) => sum + minutes.likely * people, 0);

const restartsOnce = (jobs: readonly NightJob[]): boolean => {
  const restarts = jobs.flatMap(({ restarts: thing }) => thing ?? []);
  return new Set(restarts).size === restarts.length;
};

/** Nights filled one after the other, each with whatever still goes into it; `null` where that takes more nights than there are. */
function filled(
  groups: readonly NightJob[][],
  mornings: readonly MorningLimit[],
  most: number,
  fits: Fits,
): NightJob[][] | null {
  const nights: NightJob[][] = [];
  const done = new Set<string>();
  let left = [...groups];
  while (left.length > 0) {
    if (nights.length === most) return null;
    let night: NightJob[] = [];
    for (const group of left) {
      const wanted = [...night, ...group];
      const there = new Set([...done, ...wanted.map(({ id }) => id)]);
      const may =
        group.every((job) => mayBeInNight(job, nights.length) && job.needs.every((id) => there.has(id))) &&
        restartsOnce(wanted) &&
        areMorningsHeld(mornings, [...nights, wanted]);
      if (may && fits(wanted)) night = wanted;
    }
    for (const { id } of night) done.add(id);
    left = left.filter(([first]) => !done.has(first!.id));
    nights.push(night);
  }
  return nights;
}

/** Nights as they are filled without looking ahead, in the best of some plain orders: something to start from, and to do better than. */
export function firstFit(
  { jobs, mornings = [] }: Pick<ToAssign, 'jobs' | 'mornings'>,
  most: number,
  fits: Fits,
): NightJob[][] | null {
  const known = new Set(jobs.map(({ id }) => id));
  // What is not among the jobs is waited for by nobody.
  const groups = groupsOf(jobs.map((job) => ({ ...job, needs: job.needs.filter((id) => known.has(id)) })));
  const orders = [
    groups,
    [...groups].reverse(),
    [...groups].sort((a, b) => work(b) - work(a)),
    [...groups].sort((a, b) => a[0]!.place.localeCompare(b[0]!.place, 'en') || work(b) - work(a)),
  ];
  return orders.reduce<NightJob[][] | null>((best, order) => {
    const nights = filled(order, mornings, best ? best.length - 1 : most, fits);
    return nights ?? best;
  }, null);
}
