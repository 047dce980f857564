import type { NightJob, NightRules, Worker } from './nightJob';
import type { PlannedJob } from './plannedJob';
import { orderProblem, type Aim } from './orderProblem';
import { bestOrder } from './orderSearch';
import { endOfNight } from './timedNight';

export interface Sequence {
  jobs: PlannedJob[];
  /** Minutes after the beginning of the shift at which the last of it is done. */
  end: number;
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
  const { timed, looked } = bestOrder(orderProblem(jobs, crew, rules, aim), states);
  const sequence = timed && { jobs: [...timed], end: endOfNight(timed) };
  return { sequence, isExact: looked < states };
}
