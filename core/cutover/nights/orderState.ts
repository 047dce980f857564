import { darkMinutes, earliestByRules } from './darkRules';
import type { OrderProblem } from './orderProblem';
import type { PlannedJob } from './plannedJob';

/** A night half planned: what is placed, in the order of its beginnings, and where each of the crew is by then. */
export interface OrderState {
  timed: readonly PlannedJob[];
  /** From when on each person is free. */
  free: readonly number[];
  /** The job that each person did last; −1 where none. */
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

export const nothingPlaced = ({ jobs, crew }: OrderProblem): OrderState => ({
  timed: [],
  free: crew.map(() => 0),
  at: crew.map(() => -1),
  ends: jobs.map(() => 0),
  done: 0,
  end: 0,
  dark: 0,
});

export const isDone = (done: number, index: number): boolean => (done & (1 << index)) !== 0;

/** A minute that a view is dark outweighs any minutes of the end. */
const darkWeight = 10_000;

/** What of the job that a person did last tells on what comes: which it was, or where it was, if there is more to do there. */
function standing({ aim, rules, placeOf, atPlace }: OrderProblem, last: number, done: number): number {
  if (last < 0) return 0;
  // With rules about views, or where what they are dark is the aim, it matters which job somebody is at.
  if (aim === 'calmest' || rules.mostDark.length > 0) return 2 + last;
  return (atPlace[last]! & ~done) === 0 ? 1 : 2 + placeOf[last]!;
}

/** What each person can do and where each stands, as one number. */
export const standings = (problem: OrderProblem, { at, done }: OrderState): number[] =>
  problem.kindOf.map(
    (kind, person) => kind * (problem.jobs.length + 2) + standing(problem, at[person]!, done),
  );

/** No way on from here is over sooner than this: people’s minutes, shared evenly, and the longest chain. */
export function leastEnd({ jobs, crew, likely }: OrderProblem, { free, done, end }: OrderState): number {
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

/** The first moment at which a team can begin with a job, but for rules about views. */
function readyAt(
  { jobs, rules, needs, placeOf }: OrderProblem,
  { timed, free, at, ends }: OrderState,
  index: number,
  team: readonly number[],
): number {
  let from = Math.max(timed.at(-1)?.start ?? 0, jobs[index]!.window?.from ?? 0);
  for (const person of team) {
    const before = at[person]!;
    const walk = before >= 0 && placeOf[before] !== placeOf[index] ? rules.walkMinutes : 0;
    from = Math.max(from, free[person]! + walk);
  }
  for (let need = 0; need < jobs.length; need += 1)
    if (isDone(needs[index]!, need)) from = Math.max(from, ends[need]!);
  return from;
}

/** A job placed next, by a team; `null` where that is too late for it. */
function placed(
  problem: OrderProblem,
  state: OrderState,
  index: number,
  team: readonly number[],
): OrderState | null {
  const { jobs, rules, aim, latest, likely } = problem;
  const [job, minutes, latestStart] = [jobs[index]!, likely[index]!, latest[index]!];
  const from = readyAt(problem, state, index, team);
  const start = earliestByRules({ job, minutes, jobs }, from, state.timed, rules.mostDark);
  if (start === null || start > latestStart + 1e-9) return null;
  const end = start + minutes;
  const timed = [...state.timed, { job, start, end, team, latestStart }];
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
const twins = ({ free }: OrderState, stands: readonly number[]): number[] =>
  free.map((_, person) => {
    let before = person - 1;
    while (before >= 0 && (stands[before] !== stands[person] || free[before] !== free[person])) before -= 1;
    return before;
  });

/** What can be placed next, the soonest over first; of jobs that are alike, and of people, the first stands for the others. */
export function nextStates(
  problem: OrderProblem,
  state: OrderState,
  stands: readonly number[],
): OrderState[] {
  const { jobs, needs, alike, teams } = problem;
  const next: OrderState[] = [];
  const before = twins(state, stands);
  for (let index = 0; index < jobs.length; index += 1) {
    if (isDone(state.done, index) || (needs[index]! & state.done) !== needs[index]) continue;
    if (alike[index]! >= 0 && !isDone(state.done, alike[index]!)) continue;
    for (const team of teams[index]!) {
      if (team.some((person) => before[person]! >= 0 && !team.includes(before[person]!))) continue;
      const after = placed(problem, state, index, team);
      if (after) next.push(after);
    }
  }
  return next.sort((a, b) => a.timed.at(-1)!.start - b.timed.at(-1)!.start || a.end - b.end);
}
