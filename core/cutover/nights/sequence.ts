import { darkMinutes, earliestByRules, type Timed } from './darkRules';
import { teamsFor, type NightJob, type NightRules, type Worker } from './nightJob';
import { quantileOf } from './spread';

/** A job in its night: when it begins, by whom it is done, and when it is too late to begin with it. */
export interface PlannedJob extends Timed {
  /** Places of people in the crew. */
  team: readonly number[];
  latestStart: number;
}

export interface Sequence {
  jobs: PlannedJob[];
  /** Minutes after the beginning of the shift at which the last of it is done. */
  end: number;
}

/** How surely a job is over by the time that its latest start rests on. */
const sureOfJob = 0.9;

/** The last moment to begin with a job so that it can still be taken back within the shift, and within the hours that it is held to. */
export const latestStartOf = (
  { minutes, rollBackMinutes, window }: Pick<NightJob, 'minutes' | 'rollBackMinutes' | 'window'>,
  { shiftMinutes, reserveMinutes }: Pick<NightRules, 'shiftMinutes' | 'reserveMinutes'>,
): number =>
  Math.min(shiftMinutes - reserveMinutes, window?.to ?? Infinity) -
  quantileOf(minutes, sureOfJob) -
  rollBackMinutes;

/** A night half planned: what is placed, in the order of its beginnings, and where each of the crew is by then. */
interface State {
  timed: readonly PlannedJob[];
  free: readonly number[];
  at: readonly (NightJob | null)[];
  done: number;
}

/** So many states are looked at for one night: all of a night of six jobs, and of a longer one the likeliest first. */
const mostStates = 3000;

/** More jobs than these are not looked at for one night. */
const mostJobs = 30;

/** What was found of a night; where not all could be gone through, an order that keeps every latest start may have been missed. */
export interface Sequencing {
  sequence: Sequence | null;
  isExact: boolean;
}

/** What an order is the best for: that the night is over soon, or that views are dark for few minutes, and of those orders the soonest. */
type Aim = 'soonest' | 'calmest';

/** A minute that a view is dark outweighs any minutes of the end. */
const darkWeight = 10_000;

/**
 * The order and the teams by which the jobs of one night are over soonest, or leave views dark for the fewest minutes, by going through all
 * that can be: each job begins as soon as its people, the jobs it needs and the rules let it, after those that begin before it. None where
 * none keeps every latest start.
 */
export function sequenceNight(
  jobs: readonly NightJob[],
  crew: readonly Worker[],
  rules: NightRules,
  { aim = 'soonest', states = mostStates }: { aim?: Aim; states?: number } = {},
): Sequencing {
  // What is done is held in the bits of one number.
  if (jobs.length > mostJobs) return { sequence: null, isExact: false };
  const search = searchFor(jobs, crew, rules, aim, states);
  search.from({ timed: [], free: crew.map(() => 0), at: crew.map(() => null), done: 0 });
  return search.found();
}

function searchFor(
  jobs: readonly NightJob[],
  crew: readonly Worker[],
  rules: NightRules,
  aim: Aim,
  most: number,
) {
  const indexOf = new Map(jobs.map(({ id }, index) => [id, index]));
  const needs = jobs.map((job) =>
    job.needs.reduce((mask, id) => (indexOf.has(id) ? mask | (1 << indexOf.get(id)!) : mask), 0),
  );
  const teams = jobs.map((job) => teamsFor(job, crew));
  const latest = jobs.map((job) => latestStartOf(job, rules));
  const kindOf = crew.map(({ skills }) => [...skills].sort().join());
  const seen = new Map<string, number[][]>();
  let best: { jobs: readonly PlannedJob[]; end: number; cost: number } | null = null;
  const latestEnd = Math.max(0, ...jobs.map((job, index) => latest[index]! + job.minutes.likely));
  let states = 0;

  const endOf = ({ timed }: State): number => Math.max(0, ...timed.map(({ end }) => end));

  const darkOf = ({ timed }: State): number =>
    aim === 'calmest' ? darkWeight * darkMinutes(timed, rules.weights) : 0;
  /** What turned an input that is still dark under it: the later it was, the shorter that lasts. */
  const openTurns = ({ done }: State): Set<string> =>
    new Set(
      jobs.flatMap(({ sameNight }, index) =>
        sameNight !== null && !(done & (1 << index)) ? [sameNight] : [],
      ),
    );

  /** No way on from here is over sooner than this: people’s minutes, shared evenly, and the longest chain. */
  function leastEnd(state: State): number {
    const left = jobs.filter((_, index) => !(state.done & (1 << index)));
    const work = left.reduce((sum, { minutes, people }) => sum + minutes.likely * people, 0);
    const busy = state.free.reduce((sum, free) => sum + free, 0);
    const soonest = Math.min(...state.free);
    const longest = Math.max(0, ...left.map(({ minutes }) => minutes.likely));
    // So many teams of two can be at work at once; of whoever is alone there are as many as people.
    const inTeams = left.reduce((sum, { minutes, people }) => sum + (people > 1 ? minutes.likely : 0), 0);
    const teamsEnd = soonest + inTeams / Math.max(1, Math.floor(crew.length / 2));
    return Math.max(endOf(state), (busy + work) / crew.length, soonest + longest, teamsEnd);
  }

  /** Whether something that was looked at before is as far with the same, and nobody later. */
  function isWorse(state: State): boolean {
    const { done, free, at, timed } = state;
    const key = `${done} ${at.map((job) => job?.id ?? '').join(' ')}`;
    const open = aim === 'calmest' ? openTurns(state) : new Set();
    const turned = timed.flatMap(({ job, start }) => (open.has(job.id) ? [{ id: job.id, start }] : []));
    const waits = turned.sort((a, b) => (a.id < b.id ? -1 : 1)).map(({ start }) => -start);
    const figures = [...free, timed.at(-1)?.start ?? 0, darkOf(state), ...waits];
    const others = seen.get(key) ?? [];
    if (others.some((other) => other.every((figure, index) => figure <= figures[index]!))) return true;
    seen.set(key, [...others.filter((other) => !figures.every((f, index) => f <= other[index]!)), figures]);
    return false;
  }

  /** A job placed next, by a team; `null` where that is too late for it. */
  function placed(state: State, index: number, team: readonly number[]): State | null {
    const job = jobs[index]!;
    const reached = team.map((person) => {
      const before = state.at[person];
      const walk = before && before.place !== job.place ? rules.walkMinutes : 0;
      return state.free[person]! + walk;
    });
    const needed = state.timed.filter((one) => needs[index]! & (1 << indexOf.get(one.job.id)!));
    const from = Math.max(
      state.timed.at(-1)?.start ?? 0,
      job.window?.from ?? 0,
      ...reached,
      ...needed.map(({ end }) => end),
    );
    const inNight = { job, minutes: job.minutes.likely, jobs };
    const start = earliestByRules(inNight, from, state.timed, rules.mostDark);
    if (start === null || start > latest[index]! + 1e-9) return null;
    const end = start + job.minutes.likely;
    return {
      timed: [...state.timed, { job, start, end, team, latestStart: latest[index]! }],
      free: state.free.map((free, person) => (team.includes(person) ? end : free)),
      at: state.at.map((before, person) => (team.includes(person) ? job : before)),
      done: state.done | (1 << index),
    };
  }

  /** What can be placed next, the soonest over first; of people who are alike and in the same place one stands for the others. */
  function nextStates(state: State): State[] {
    const next: State[] = [];
    jobs.forEach((_, index) => {
      if (state.done & (1 << index) || (needs[index]! & state.done) !== needs[index]) return;
      const alike = new Set<string>();
      for (const team of teams[index]!) {
        const signature = team
          .map((person) => `${kindOf[person]} ${state.free[person]} ${state.at[person]?.place ?? ''}`)
          .sort()
          .join('|');
        if (alike.has(signature)) continue;
        alike.add(signature);
        const after = placed(state, index, team);
        if (after) next.push(after);
      }
    });
    return next.sort((a, b) => a.timed.at(-1)!.start - b.timed.at(-1)!.start || endOf(a) - endOf(b));
  }

  function from(state: State): void {
    if (state.timed.length === jobs.length) {
      const end = endOf(state);
      const cost = darkOf(state) + end;
      if (!best || cost < best.cost - 1e-9) best = { jobs: state.timed, end, cost };
      return;
    }
    const least = leastEnd(state);
    if (least > latestEnd + 1e-9 || (best && darkOf(state) + least >= best.cost - 1e-9)) return;
    if (states >= most || isWorse(state)) return;
    states += 1;
    for (const next of nextStates(state)) from(next);
  }

  return {
    from,
    found: (): Sequencing => ({
      sequence: best && { jobs: [...best.jobs], end: best.end },
      isExact: states < most,
    }),
  };
}
