import type { PlannedJob } from './plannedJob';

/** How a job of a night stands at a moment; minutes. */
export interface Standing {
  /** Since it was begun; 0 where it was not. */
  elapsed: number;
  /** Not begun, and past its latest start: begun now, there is no time left to go back. */
  isTooLate: boolean;
  /** Under way for longer than it takes at worst. */
  isOverdue: boolean;
}

/** How a job stands, by when it was begun and ended; `tried` is `null` where nobody has begun. Minutes after the beginning of the shift. */
export function standingOf(
  { job, latestStart }: Pick<PlannedJob, 'job' | 'latestStart'>,
  tried: { start: number; end: number | null } | null,
  now: number,
): Standing {
  const elapsed = tried ? Math.max(0, (tried.end ?? now) - tried.start) : 0;
  return {
    elapsed,
    isTooLate: tried === null && now > latestStart,
    isOverdue: tried !== null && tried.end === null && elapsed > job.minutes.high,
  };
}
