import { createRandom } from '#core/shared/random';
import type { NightRules } from './nightJob';
import type { PlannedJob } from './sequence';
import { quantileOf } from './spread';
import { endOfNight, timedNight } from './timedNight';

/** So many nights are sampled: the chance is then known to half a percent. */
export const usualNights = 10_000;

/** The chance, from 0 to 1, with which a night that was planned is over within its shift: the share of sampled nights. */
export function chanceOf(
  jobs: readonly PlannedJob[],
  rules: NightRules,
  { nights = usualNights, seed = 1 }: { nights?: number; seed?: number } = {},
): number {
  if (jobs.length === 0) return 1;
  const random = createRandom(seed);
  let within = 0;
  for (let night = 0; night < nights; night += 1) {
    const minutes = jobs.map(({ job }) => quantileOf(job.minutes, random()));
    const timed = timedNight(jobs, rules, { minutesOf: (index) => minutes[index]! });
    if (endOfNight(timed) <= rules.shiftMinutes) within += 1;
  }
  return within / nights;
}
