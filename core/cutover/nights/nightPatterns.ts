import type { NightJob, NightRules, Worker } from './nightJob';

/** Jobs that ask the same of a night, and a night as full as it goes: how many of each kind it holds. */
export interface NightPatterns {
  /** Whether the ways between their places are in them. */
  arePlaced: boolean;
  kinds: readonly (readonly string[])[];
  patterns: readonly (readonly number[])[];
}

/** Whether the way to a job counts: as it is, not at all, or as one before each. */
type Ways = 'as they are' | 'none' | 'each';

/** A job with nothing in its way but its people, its time and the way to it. */
function bare(job: NightJob, ways: Ways, walkMinutes: number): NightJob {
  const { low, likely, high } = job.minutes;
  const walk = ways === 'each' ? walkMinutes : 0;
  return {
    ...job,
    // It is another job, and nights that it is in are not those of the real one.
    id: `${job.id}, bare, ways ${ways}`,
    minutes: { low: low + walk, likely: likely + walk, high: high + walk },
    place: ways === 'as they are' ? job.place : '',
    needs: [],
    sameNight: null,
    dark: [],
    restarts: null,
    allowed: null,
  };
}

/** So many nights are looked at for their patterns at most. */
const mostLooked = 700;
/** Where a night has room for more jobs than these, there are too many ways to fill it: at places of their own, and anywhere. */
const mostInNight = { placed: 5, anywhere: 15 };
/** What takes less of a night than this is in no pattern: it goes in beside the others, or it does not. */
const leastShare = 0.08;

/** How nights are looked at: whether jobs fit into one, and whether there is time for more. */
interface Look {
  isNight: (jobs: readonly NightJob[]) => boolean;
  hasTime: () => boolean;
}

/** Whom nights are worked by, and how. */
interface Worked {
  crew: readonly Worker[];
  rules: Pick<NightRules, 'shiftMinutes' | 'walkMinutes'>;
}

/**
 * Every way to fill a night with jobs of which many are alike, as full as it goes, by what each kind asks of people, time and place; where there
 * are too many kinds by their places, as if there were no ways between those. What is in none of them fits into no night, and they tell a
 * programme at once what it would else have to try set by set. `null` where there are too many.
 */
export const nightPatterns = (jobs: readonly NightJob[], worked: Worked, look: Look): NightPatterns | null =>
  patternsBy('as they are', jobs, worked, look) ?? patternsBy('none', jobs, worked, look);

/** The same with a way to walk before each job: a night of one of these patterns has time for all ways. */
export const walkedPatterns = (jobs: readonly NightJob[], worked: Worked, look: Look): NightPatterns | null =>
  patternsBy('each', jobs, worked, look);

function patternsBy(
  ways: Ways,
  jobs: readonly NightJob[],
  { crew, rules: { shiftMinutes, walkMinutes } }: Worked,
  look: Look,
): NightPatterns | null {
  const long = jobs.filter(({ minutes }) => minutes.likely >= leastShare * shiftMinutes);
  const inNight = long.map(
    ({ minutes, people }) => (Math.floor(crew.length / people) * shiftMinutes) / minutes.likely,
  );
  const arePlaced = ways === 'as they are';
  if (Math.max(0, ...inNight) > (arePlaced ? mostInNight.placed : mostInNight.anywhere)) return null;
  const kinds = kindsOf(long, (job) => bare(job, ways, walkMinutes));
  const patterns = fullNights(
    kinds.map((kind) => kind.jobs),
    look,
  );
  return patterns && { arePlaced, kinds: kinds.map(({ ids }) => ids), patterns };
}

/** Jobs that ask the same of a night, bare, with the ids of the real ones. */
interface Kind {
  ids: string[];
  jobs: NightJob[];
}

function kindsOf(jobs: readonly NightJob[], bared: (job: NightJob) => NightJob): Kind[] {
  const kinds = new Map<string, Kind>();
  for (const job of jobs) {
    const one = bared(job);
    const { minutes, rollBackMinutes, people, skills, place, by, window } = one;
    const key = JSON.stringify([minutes, rollBackMinutes, people, skills, place, by, window]);
    const kind = kinds.get(key) ?? { ids: [], jobs: [] };
    kinds.set(key, { ids: [...kind.ids, job.id], jobs: [...kind.jobs, one] });
  }
  return [...kinds.values()];
}

const isWithin = (some: readonly number[], others: readonly number[]): boolean =>
  some.every((count, kind) => count <= others[kind]!);

/** Nights as full as they go, by how many they hold of each kind; `null` where there are too many, or no time for all. */
function fullNights(kinds: readonly (readonly NightJob[])[], { isNight, hasTime }: Look): number[][] | null {
  const looked = new Map<string, boolean>();
  /** What was found to be too much: with more it is so, too. */
  const beyond: (readonly number[])[] = [];
  let isTooMuch = false;
  const holds = (counts: readonly number[]): boolean => {
    if (beyond.some((some) => isWithin(some, counts))) return false;
    const key = counts.join();
    const known = looked.get(key);
    if (known !== undefined) return known;
    if (looked.size >= mostLooked || !hasTime()) isTooMuch = true;
    const isHeld = !isTooMuch && isNight(counts.flatMap((count, kind) => kinds[kind]!.slice(0, count)));
    looked.set(key, isHeld);
    if (!isHeld) beyond.push(counts);
    return isHeld;
  };
  const more = (counts: readonly number[], kind: number): number[] | null => {
    if (counts[kind]! === kinds[kind]!.length) return null;
    const next = counts.map((count, index) => (index === kind ? count + 1 : count));
    return holds(next) ? next : null;
  };
  const full: number[][] = [];
  const fill = (counts: number[], from: number): void => {
    if (isTooMuch) return;
    if (kinds.every((_, kind) => more(counts, kind) === null)) full.push(counts);
    for (let kind = from; kind < kinds.length; kind += 1) {
      const next = more(counts, kind);
      if (next) fill(next, kind);
    }
  };
  fill(
    kinds.map(() => 0),
    0,
  );
  return isTooMuch ? null : full;
}
