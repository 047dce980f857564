import type { Cut } from './assignment';
import type { NightJob } from './nightJob';

/** A job with nothing in its way but its people and its time: whatever does not fit so does not fit at all. */
const bare = (job: NightJob): NightJob => ({
  ...job,
  place: '',
  needs: [],
  sameNight: null,
  dark: [],
  restarts: null,
  allowed: null,
  window: null,
});

const classOf = ({ people, skills }: NightJob): string => `${people} ${[...skills].sort().join()}`;

/** Whether a job asks at least as much of a night as another one of its class. */
const asksAsMuch = (job: NightJob, other: NightJob): boolean =>
  job.minutes.low >= other.minutes.low &&
  job.minutes.likely >= other.minutes.likely &&
  job.minutes.high >= other.minutes.high &&
  job.rollBackMinutes >= other.rollBackMinutes;

/**
 * How many jobs of one kind a night holds at most, found beforehand: of all that ask at least as much as one of them, so many of the easiest
 * as still fit. They spare the programme from trying each set of as many anew.
 */
export function classCuts(jobs: readonly NightJob[], fits: (jobs: readonly NightJob[]) => boolean): Cut[] {
  const classes = new Map<string, NightJob[]>();
  for (const job of jobs) classes.set(classOf(job), [...(classes.get(classOf(job)) ?? []), job]);
  const cuts: Cut[] = [];
  for (const members of classes.values()) {
    const seen = new Set<string>();
    for (const least of members) {
      const level = `${Object.values(least.minutes).join()} ${least.rollBackMinutes}`;
      if (seen.has(level)) continue;
      seen.add(level);
      const harder = members.filter((job) => asksAsMuch(job, least));
      // None of them is easier than the first: as many copies of it fit as of any.
      const copies = (count: number) =>
        Array.from({ length: count }, (_, k) => ({ ...bare(least), id: `${least.id} ${k}` }));
      let most = 1;
      while (most < harder.length && fits(copies(most + 1))) most += 1;
      if (most < harder.length) cuts.push({ jobs: harder.map(({ id }) => id), most });
    }
  }
  return cuts;
}
