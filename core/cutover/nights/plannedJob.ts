import type { Timed } from './darkRules';
import type { NightJob, NightRules } from './nightJob';
import { quantileOf } from './spread';

/** A job in its night: when it begins, by whom it is done, and when it is too late to begin with it. */
export interface PlannedJob extends Timed {
  /** Places of people in the crew. */
  team: readonly number[];
  latestStart: number;
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
