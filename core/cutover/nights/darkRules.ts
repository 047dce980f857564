import type { NightJob, NightRules } from './nightJob';

/** A job at its time, in minutes after the beginning of the shift. */
export interface Timed {
  job: NightJob;
  start: number;
  end: number;
}

const darkens = ({ dark }: NightJob, views: readonly string[]): boolean =>
  dark.some(({ view }) => views.includes(view));

/**
 * The first moment from one on at which a job can begin without too many views dark at once. When within a job its views are dark is not
 * known beforehand, so all of it counts.
 */
export function earliestByRules(
  job: NightJob,
  minutes: number,
  from: number,
  timed: readonly Timed[],
  rules: NightRules['mostDark'],
): number {
  const binding = rules.filter(({ views }) => darkens(job, views));
  if (binding.length === 0) return from;
  const starts = [from, ...timed.map(({ end }) => end).filter((end) => end > from)].sort((a, b) => a - b);
  const isLegal = (start: number): boolean =>
    binding.every((rule) => darkAtOnce(job, start, start + minutes, timed, rule.views) <= rule.most);
  return starts.find(isLegal)!;
}

/** How many views of a rule are dark at once at most while a job goes on, it among them. */
function darkAtOnce(
  job: NightJob,
  start: number,
  end: number,
  timed: readonly Timed[],
  views: readonly string[],
): number {
  const meanwhile = timed.filter((other) => other.start < end && other.end > start);
  const moments = [start, ...meanwhile.map((other) => Math.max(start, other.start))];
  const own = job.dark.map(({ view }) => view);
  return Math.max(
    ...moments.map((moment) => {
      const dark = meanwhile
        .filter((other) => other.start <= moment && other.end > moment)
        .flatMap((other) => other.job.dark.map(({ view }) => view));
      return new Set([...own, ...dark].filter((view) => views.includes(view))).size;
    }),
  );
}
