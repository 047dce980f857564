import { earliestByRules, type Timed } from './darkRules';
import { teamsFor, type NightJob, type NightRules, type Worker } from './nightJob';
import { latestStartOf } from './plannedJob';

/** The soonest end by every order and every team, nothing left out: what `sequenceNight` has to come to. */
export function soonestByAll(
  jobs: readonly NightJob[],
  people: readonly Worker[],
  by: NightRules,
): number | null {
  let best: number | null = null;
  const go = (timed: Timed[], free: number[], at: string[], left: readonly NightJob[]): void => {
    if (left.length === 0) {
      const end = Math.max(0, ...timed.map((one) => one.end));
      best = best === null ? end : Math.min(best, end);
      return;
    }
    for (const next of left) {
      if (next.needs.some((id) => left.some((other) => other.id === id))) continue;
      for (const team of teamsFor(next, people)) {
        const from = Math.max(
          timed.at(-1)?.start ?? 0,
          next.window?.from ?? 0,
          ...team.map((p) => free[p]! + (at[p] !== '' && at[p] !== next.place ? by.walkMinutes : 0)),
          ...timed.filter((one) => next.needs.includes(one.job.id)).map((one) => one.end),
        );
        const start = earliestByRules(
          { job: next, minutes: next.minutes.likely, jobs },
          from,
          timed,
          by.mostDark,
        );
        if (start === null || start > latestStartOf(next, by)) continue;
        const end = start + next.minutes.likely;
        go(
          [...timed, { job: next, start, end }],
          free.map((one, p) => (team.includes(p) ? end : one)),
          at.map((one, p) => (team.includes(p) ? next.place : one)),
          left.filter((other) => other !== next),
        );
      }
    }
  };
  go(
    [],
    people.map(() => 0),
    people.map(() => ''),
    jobs,
  );
  return best;
}
