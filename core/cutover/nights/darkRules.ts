import type { NightJob, NightRules } from './nightJob';

/** A job at its time, in minutes after the beginning of the shift. */
export interface Timed {
  job: NightJob;
  start: number;
  end: number;
}

type Rule = NightRules['mostDark'][number];

/** Views of a rule that a job leaves dark; those of a restart where the rule is not about restarts are none. */
export const darkOf = (
  { dark, restarts }: Pick<NightJob, 'dark' | 'restarts'>,
  { views, exceptRestarts }: Rule,
): string[] =>
  exceptRestarts && restarts !== null
    ? []
    : dark.map(({ view }) => view).filter((view) => views.includes(view));

/** A job among those of its night. */
interface InNight {
  job: NightJob;
  minutes: number;
  /** All jobs of the night, placed or not: those whose input another of them turns wait in the dark from then on. */
  jobs: readonly NightJob[];
}

/**
 * The first moment from one on at which a job can begin without too many views dark at once; `null` where it breaks a rule by itself. When
 * within a job its views are dark is not known beforehand, so all of it counts.
 */
export function earliestByRules(
  { job, minutes, jobs }: InNight,
  from: number,
  timed: readonly Timed[],
  rules: NightRules['mostDark'],
): number | null {
  const binding = rules.filter((rule) => darkOf(job, rule).length > 0);
  if (binding.length === 0) return from;
  const starts = [from, ...timed.map(({ end }) => end).filter((end) => end > from)].sort((a, b) => a - b);
  const waiting = jobs.filter(({ sameNight }) => sameNight !== null);
  const isLegal = (start: number): boolean =>
    binding.every(
      (rule) => darkAtOnce({ job, start, end: start + minutes }, timed, waiting, rule) <= rule.most,
    );
  return starts.find(isLegal) ?? null;
}

/** Views that wait in the dark at a moment: what leaves them dark is over, and what brings them back has not begun. */
function waitingAt(moment: number, timed: readonly Timed[], waiting: readonly NightJob[]): string[] {
  const begun = (id: string) => timed.some(({ job, start }) => job.id === id && start <= moment);
  const over = (id: string | null) => timed.some(({ job, end }) => job.id === id && end <= moment);
  return waiting
    .filter(({ id, sameNight }) => over(sameNight) && !begun(id))
    .flatMap(({ dark }) => dark.map(({ view }) => view));
}

/** How many views of a rule are dark at once at most while a job goes on, it among them. */
function darkAtOnce(
  { job, start, end }: Timed,
  timed: readonly Timed[],
  waiting: readonly NightJob[],
  rule: Rule,
): number {
  const meanwhile = timed.filter((other) => other.start < end && other.end > start);
  const moments = [
    start,
    ...meanwhile.flatMap((other) => [other.start, other.end]).filter((at) => at > start && at < end),
  ];
  const own = darkOf(job, rule);
  return Math.max(
    ...moments.map((moment) => {
      const dark = meanwhile
        .filter((other) => other.start <= moment && other.end > moment)
        .flatMap((other) => darkOf(other.job, rule));
      const waits = waitingAt(moment, timed, waiting).filter((view) => rule.views.includes(view));
      return new Set([...own, ...dark, ...waits]).size;
    }),
  );
}

/** Minutes that views are dark in a night, each as often as its view counts. */
export const darkMinutes = (timed: readonly Timed[], weights: NightRules['weights']): number =>
  darkBands(timed).reduce((sum, { view, start, end }) => sum + (weights[view] ?? 1) * (end - start), 0);

/** When a view is dark, in minutes after the beginning of the shift. */
export interface DarkBand {
  view: string;
  start: number;
  end: number;
}

/**
 * When each view is dark in a night, as near as can be told: for as long as a job says, in the middle of it; and from what leaves it dark
 * until what brings it back, where those are two. A view has one band for each time.
 */
export function darkBands(timed: readonly Timed[]): DarkBand[] {
  const bands = timed.flatMap(({ job, start, end }): DarkBand[] => {
    const turn = timed.find((other) => other.job.id === job.sameNight);
    return job.dark.map(({ view, minutes }) => {
      const spare = Math.max(0, end - start - minutes);
      const isUnder = turn !== undefined && turn.job.dark.some((one) => one.view === view);
      return { view, start: isUnder ? turn.start : start + spare / 2, end: end - spare / 2 };
    });
  });
  const merged: DarkBand[] = [];
  for (const band of bands.sort((a, b) => a.start - b.start)) {
    const before = merged.findLast(({ view }) => view === band.view);
    if (before && before.end >= band.start) before.end = Math.max(before.end, band.end);
    else merged.push({ ...band });
  }
  return merged;
}
