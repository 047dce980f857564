import type { NightJob, NightRules, Worker } from './nightJob';

/** Jobs that ask the same of a night, and a night as full as it goes: how many of each kind it holds. */
export interface NightPatterns {
  kinds: readonly (readonly string[])[];
  patterns: readonly (readonly number[])[];
}

/** A job with nothing in its way but its people, its time and the way to it: whatever does not fit so does not fit at all. */
const bare = (job: NightJob): NightJob => ({
  ...job,
  // It is another job, and nights that it is in are not those of the real one.
  id: `${job.id}, bare`,
  needs: [],
  sameNight: null,
  dark: [],
  restarts: null,
  allowed: null,
});

/** So many nights are looked at for their patterns at most. */
const mostLooked = 700;
/** Where a night has room for more jobs than these, there are too many ways to fill it. */
const mostInNight = 5;
/** What takes less of a night than this is in no pattern: it goes in beside the others, or it does not. */
const leastShare = 0.08;

/**
 * Every way to fill a night with jobs of which many are alike, as full as it goes, by what each kind asks of people, time and place. They tell
 * the programme at once what it would else have to try set by set. `null` where there are too many.
 */
export function nightPatterns(
  jobs: readonly NightJob[],
  { crew, rules: { shiftMinutes } }: { crew: readonly Worker[]; rules: Pick<NightRules, 'shiftMinutes'> },
  fits: (jobs: readonly NightJob[]) => boolean,
): NightPatterns | null {
  const long = jobs.filter(({ minutes }) => minutes.likely >= leastShare * shiftMinutes);
  const inNight = long.map(
    ({ minutes, people }) => (Math.floor(crew.length / people) * shiftMinutes) / minutes.likely,
  );
  if (Math.max(0, ...inNight) > mostInNight) return null;
  const groups = new Map<string, { ids: string[]; jobs: NightJob[] }>();
  for (const job of long) {
    const one = bare(job);
    const { minutes, rollBackMinutes, people, skills, place, by, window } = one;
    const key = JSON.stringify([minutes, rollBackMinutes, people, skills, place, by, window]);
    const group = groups.get(key) ?? { ids: [], jobs: [] };
    groups.set(key, { ids: [...group.ids, job.id], jobs: [...group.jobs, one] });
  }
  const kinds = [...groups.values()].map((group) => group.jobs);
  const looked = new Map<string, boolean>();
  let isTooMuch = false;
  const holds = (counts: readonly number[]): boolean => {
    const key = counts.join();
    const known = looked.get(key);
    if (known !== undefined) return known;
    if (looked.size >= mostLooked) isTooMuch = true;
    const isHeld = !isTooMuch && fits(counts.flatMap((count, kind) => kinds[kind]!.slice(0, count)));
    looked.set(key, isHeld);
    return isHeld;
  };
  const more = (counts: readonly number[], kind: number): number[] | null => {
    if (counts[kind]! === kinds[kind]!.length) return null;
    const next = counts.map((count, index) => (index === kind ? count + 1 : count));
    return holds(next) ? next : null;
  };
  const patterns: number[][] = [];
  const fill = (counts: number[], from: number): void => {
    if (isTooMuch) return;
    if (kinds.every((_, kind) => more(counts, kind) === null)) patterns.push(counts);
    for (let kind = from; kind < kinds.length; kind += 1) {
      const next = more(counts, kind);
      if (next) fill(next, kind);
    }
  };
  fill(
    kinds.map(() => 0),
    0,
  );
  return isTooMuch ? null : { kinds: [...groups.values()].map(({ ids }) => ids), patterns };
}
