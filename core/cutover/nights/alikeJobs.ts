import type { NightJob, NightRules } from './nightJob';

/** What views of a job count for in a night: by themselves where a rule or another job is about them too, else by their minutes alone. */
function darkAs({ dark, id }: NightJob, jobs: readonly NightJob[], { mostDark, weights }: NightRules) {
  const isItsOwn = (view: string): boolean =>
    !mostDark.some(({ views }) => views.includes(view)) &&
    !jobs.some((other) => other.id !== id && other.dark.some((one) => one.view === view));
  return dark.map(({ view, minutes }) => (isItsOwn(view) ? minutes * (weights[view] ?? 1) : view)).sort();
}

/**
 * For each job the one before it that it could change places with in any order of their night, by its index; −1 where there is none. Of
 * orders that differ by such a change alone one need be looked at: the one in which the earlier of the two is done first.
 */
export function alikeBefore(jobs: readonly NightJob[], rules: NightRules): number[] {
  const ids = new Set(jobs.map(({ id }) => id));
  const isShared = (at: string) => jobs.filter(({ place }) => place === at).length > 1;
  const last = new Map<string, number>();
  return jobs.map((job, index) => {
    const { id, minutes, rollBackMinutes, people, skills, place, by, window, needs, restarts } = job;
    const isTied =
      restarts !== null || jobs.some(({ sameNight }) => sameNight === id) || job.sameNight !== null;
    const neededBy = jobs.flatMap((other) => (other.needs.includes(id) ? [other.id] : []));
    const key = JSON.stringify([
      isTied ? id : null,
      [minutes.low, minutes.likely, minutes.high, rollBackMinutes, people],
      // Places that nothing else is done at are as far as any other.
      isShared(place) ? [place] : [],
      [[...skills].sort(), by, window],
      [needs.filter((need) => ids.has(need)).sort(), neededBy],
      darkAs(job, jobs, rules),
    ]);
    const before = last.get(key) ?? -1;
    last.set(key, index);
    return before;
  });
}
