import type { Cut } from './assignment';
import type { NightJob } from './nightJob';

/** Of more that go in alone, each two are not looked at: there are too many. */
const mostAlone = 30;

/**
 * What goes into no night of jobs that have to be together, found beforehand: each other job that is too much beside them, and each two that
 * are. Such a night is fuller than any, and the programme would else try what goes into it one by one.
 */
export function groupCuts(jobs: readonly NightJob[], fits: (jobs: readonly NightJob[]) => boolean): Cut[] {
  const heads = new Set(jobs.flatMap(({ sameNight }) => sameNight ?? []));
  return [...heads].flatMap((head) => {
    const group = jobs.filter(({ id, sameNight }) => id === head || sameNight === head);
    const others = jobs.filter((job) => !group.includes(job));
    const cut = (...beside: NightJob[]): Cut => ({
      jobs: [head, ...beside.map(({ id }) => id)],
      most: beside.length,
    });
    const alone = others.filter((job) => fits([...group, job]));
    const never = others.filter((job) => !alone.includes(job)).map((job) => cut(job));
    if (alone.length > mostAlone) return never;
    const pairs = alone.flatMap((job, index) =>
      alone.slice(index + 1).flatMap((other) => (fits([...group, job, other]) ? [] : [cut(job, other)])),
    );
    return [...never, ...pairs];
  });
}
