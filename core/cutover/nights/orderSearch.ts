import { alikeBefore } from './alikeJobs';
import { darkMinutes, earliestByRules } from './darkRules';
import { teamsFor, type NightJob, type NightRules, type Worker } from './nightJob';
import { latestStartOf, type PlannedJob } from './plannedJob';

/** What an order is the best for: that the night is over soon, or that views are dark for few minutes, and of those orders the soonest. */
export type Aim = 'soonest' | 'calmest';

/** A night half planned: what is placed, in the order of its beginnings, and where each of the crew is by then. */
interface State {
  timed: readonly PlannedJob[];
  /** From when on each person is free. */
  free: readonly number[];
  /** The job that each person did last, by its place among them; −1 where none. */
  at: readonly number[];
  /** When each job that is done was over. */
  ends: readonly number[];
  /** What is done, a bit for each job. */
  done: number;
  /** When the last of it is over. */
  end: number;
  /** What views dark until then cost: nothing where that is no aim. */
  dark: number;
}

/** A minute that a view is dark outweighs any minutes of the end. */
const darkWeight = 10_000;

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

/** Goes through the orders of a night, at most so many states of it; `looked` says how many they were. */
export function bestOrder(
  jobs: readonly NightJob[],
  crew: readonly Worker[],
  rules: NightRules,
  { aim, states: most }: { aim: Aim; states: number },
): { timed: readonly PlannedJob[] | null; looked: number } {
  const indexOf = new Map(jobs.map(({ id }, index) => [id, index]));
  const needs = jobs.map((job) => maskOf(job.needs.flatMap((id) => indexOf.get(id) ?? [])));
  const teams = jobs.map((job) => teamsFor(job, crew));
  const latest = jobs.map((job) => latestStartOf(job, rules));
  const likely = jobs.map(({ minutes }) => minutes.likely);
  const alike = alikeBefore(jobs, rules);
  const asked = new Set(jobs.flatMap(({ by }) => by));
  /** People who can do the same, and whom no job asks for, are alike. */
  const kindOf = numbered(
    crew.map(({ id, skills }) => `${asked.has(id) ? id : ''} ${[...skills].sort().join()}`),
  );
  const placeOf = numbered(jobs.map(({ place }) => place));
  const atPlace = placeOf.map((place) => maskOf(placeOf.flatMap((other, k) => (other === place ? [k] : []))));
  const latestEnd = Math.max(0, ...jobs.map((_, index) => latest[index]! + likely[index]!));
  const seen = new Map<string, number[][]>();
  let best: { timed: readonly PlannedJob[]; cost: number } | null = null;
  let looked = 0;

  const isDone = (done: number, index: number): boolean => (done & (1 << index)) !== 0;

  /** What turned an input that is still dark under it: the later it was, the shorter that lasts. */
  const openTurns = (done: number): Set<string> =>
    new Set(jobs.flatMap(({ sameNight }, index) => (sameNight && !isDone(done, index) ? [sameNight] : [])));

  // With rules about views, or where what they are dark is the aim, it matters which job somebody is at.
  const isByJob = aim === 'calmest' || rules.mostDark.length > 0;

  /** What of the job that a person did last tells on what comes: which it was, or where it was, if there is more to do there. */
  function standing({ at, done }: State, person: number): number {
    const index = at[person]!;
    if (index < 0) return 0;
    if (isByJob) return 2 + index;
    return (atPlace[index]! & ~done) === 0 ? 1 : 2 + placeOf[index]!;
  }

  /** What each person can do and where each stands, as one number. */
  const standings = (state: State): number[] =>
    crew.map((_, person) => kindOf[person]! * (jobs.length + 2) + standing(state, person));

  /** No way on from here is over sooner than this: people’s minutes, shared evenly, and the longest chain. */
  function leastEnd({ free, done, end }: State): number {
    let [work, longest, inTeams] = [0, 0, 0];
    for (let index = 0; index < jobs.length; index += 1) {
      if (isDone(done, index)) continue;
      const minutes = likely[index]!;
      const { people } = jobs[index]!;
      work += minutes * people;
      longest = Math.max(longest, minutes);
      if (people > 1) inTeams += minutes;
    }
    const busy = free.reduce((sum, one) => sum + one, 0);
    const soonest = Math.min(...free);
    // So many teams of two can be at work at once; of whoever is alone there are as many as people.
    const teamsEnd = soonest + inTeams / Math.max(1, Math.floor(crew.length / 2));
    return Math.max(end, (busy + work) / crew.length, soonest + longest, teamsEnd);
  }

  /** Whether something that was looked at before is as far with the same, and nobody later. */
  function isWorse({ done, free, timed, dark }: State, stands: readonly number[]): boolean {
    const people = crew.map((_, person) => person);
    people.sort((a, b) => stands[a]! - stands[b]! || free[a]! - free[b]!);
    const key = `${done} ${people.map((person) => stands[person]).join()}`;
    const figures = [...people.map((person) => free[person]!), timed.at(-1)?.start ?? 0];
    if (aim === 'calmest') {
      const open = openTurns(done);
      const turned = timed.flatMap(({ job, start }) => (open.has(job.id) ? [{ id: job.id, start }] : []));
      figures.push(dark, ...turned.sort((a, b) => (a.id < b.id ? -1 : 1)).map(({ start }) => -start));
    }
    const others = seen.get(key) ?? [];
    if (others.some((other) => other.every((figure, index) => figure <= figures[index]!))) return true;
    seen.set(key, [...others.filter((other) => !figures.every((f, index) => f <= other[index]!)), figures]);
    return false;
  }

  /** A job placed next, by a team; `null` where that is too late for it. */
  function placed(state: State, index: number, team: readonly number[]): State | null {
    const job = jobs[index]!;
    let from = Math.max(state.timed.at(-1)?.start ?? 0, job.window?.from ?? 0);
    for (const person of team) {
      const before = state.at[person]!;
      const walk = before >= 0 && placeOf[before] !== placeOf[index] ? rules.walkMinutes : 0;
      from = Math.max(from, state.free[person]! + walk);
    }
    for (let need = 0; need < jobs.length; need += 1)
      if (isDone(needs[index]!, need)) from = Math.max(from, state.ends[need]!);
    const inNight = { job, minutes: likely[index]!, jobs };
    const start = earliestByRules(inNight, from, state.timed, rules.mostDark);
    if (start === null || start > latest[index]! + 1e-9) return null;
    const end = start + likely[index]!;
    const timed = [...state.timed, { job, start, end, team, latestStart: latest[index]! }];
    return {
      timed,
      free: state.free.map((free, person) => (team.includes(person) ? end : free)),
      at: state.at.map((before, person) => (team.includes(person) ? index : before)),
      ends: state.ends.map((over, other) => (other === index ? end : over)),
      done: state.done | (1 << index),
      end: Math.max(state.end, end),
      dark: aim === 'calmest' ? darkWeight * darkMinutes(timed, rules.weights) : 0,
    };
  }

  /** For each person the one before who stands as he does and is free at the same moment; −1 where there is none. */
  const twins = ({ free }: State, stands: readonly number[]): number[] =>
    crew.map((_, person) => {
      let before = person - 1;
      while (before >= 0 && (stands[before] !== stands[person] || free[before] !== free[person])) before -= 1;
      return before;
    });

  /** What can be placed next, the soonest over first; of jobs that are alike, and of people, the first stands for the others. */
  function nextStates(state: State, stands: readonly number[]): State[] {
    const next: State[] = [];
    const before = twins(state, stands);
    for (let index = 0; index < jobs.length; index += 1) {
      if (isDone(state.done, index) || (needs[index]! & state.done) !== needs[index]) continue;
      if (alike[index]! >= 0 && !isDone(state.done, alike[index]!)) continue;
      for (const team of teams[index]!) {
        if (team.some((person) => before[person]! >= 0 && !team.includes(before[person]!))) continue;
        const after = placed(state, index, team);
        if (after) next.push(after);
      }
    }
    return next.sort((a, b) => a.timed.at(-1)!.start - b.timed.at(-1)!.start || a.end - b.end);
  }

  function goOn(state: State): void {
    const { timed, dark, end } = state;
    if (timed.length === jobs.length) {
      if (!best || dark + end < best.cost - 1e-9) best = { timed, cost: dark + end };
      return;
    }
    const least = leastEnd(state);
    if (least > latestEnd + 1e-9 || (best && dark + least >= best.cost - 1e-9)) return;
    if (looked >= most) return;
    const stands = standings(state);
    if (isWorse(state, stands)) return;
    looked += 1;
    for (const next of nextStates(state, stands)) goOn(next);
  }

  const nobody = { free: crew.map(() => 0), at: crew.map(() => -1), ends: jobs.map(() => 0) };
  goOn({ timed: [], ...nobody, done: 0, end: 0, dark: 0 });
  return { timed: (best as { timed: readonly PlannedJob[] } | null)?.timed ?? null, looked };
}
