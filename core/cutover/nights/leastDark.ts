import { calmNight } from './calmNight';
import { darkMinutes } from './darkRules';
import type { NightJob, NightRules, Worker } from './nightJob';

/**
 * Minutes that views are dark at least, each as often as it counts, in whichever nights jobs are done: what has to be in one night is taken by
 * itself. Infinite where that is more than a night holds.
 */
export function leastDark(jobs: readonly NightJob[], crew: readonly Worker[], rules: NightRules): number {
  const groups = new Map<string, NightJob[]>();
  for (const job of jobs) {
    const key = job.sameNight ?? job.id;
    groups.set(key, [...(groups.get(key) ?? []), job]);
  }
  return [...groups.values()].reduce((sum, group) => {
    const alone = group.length > 1 ? calmNight(group, crew, rules) : null;
    if (group.length > 1 && !alone) return Infinity;
    const own = () =>
      group.reduce(
        (minutes, { dark }) =>
          minutes + dark.reduce((all, one) => all + (rules.weights[one.view] ?? 1) * one.minutes, 0),
        0,
      );
    return sum + (alone ? darkMinutes(alone.jobs, rules.weights) : own());
  }, 0);
}
