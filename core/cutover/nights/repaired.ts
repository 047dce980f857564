import { mayBeInNight, type NightJob } from './nightJob';

type Fits = (jobs: readonly NightJob[]) => boolean;

/** So many nights are mended one after the other before it is given up. */
const mostSteps = 60;

/** Whether a job may be in a night, with what it needs no later and what needs it no earlier. */
function mayBeIn(job: NightJob, night: number, nights: readonly (readonly NightJob[])[]): boolean {
  if (job.sameNight !== null || !mayBeInNight(job, night)) return false;
  return nights.every((jobs, index) =>
    jobs.every(
      (other) =>
        other === job ||
        (!(job.needs.includes(other.id) && index > night) &&
          !(other.needs.includes(job.id) && index < night) &&
          other.sameNight !== job.id &&
          !(index === night && job.restarts !== null && other.restarts === job.restarts)),
    ),
  );
}

const with_ = (nights: readonly (readonly NightJob[])[], changed: ReadonlyMap<number, NightJob[]>) =>
  nights.map((jobs, index) => changed.get(index) ?? jobs);

/** Nights after one step that makes a night fit, or hold less; `null` where no job can be moved or exchanged so. */
function step(
  nights: readonly (readonly NightJob[])[],
  broken: number,
  fits: Fits,
): (readonly NightJob[])[] | null {
  const mine = nights[broken]!;
  const others = nights.map((_, index) => index).filter((index) => index !== broken);
  for (const job of mine)
    for (const to of others) {
      const moved = [...nights[to]!, job];
      const next = with_(
        nights,
        new Map([
          [broken, mine.filter((one) => one !== job)],
          [to, moved],
        ]),
      );
      if (mayBeIn(job, to, next) && fits(moved)) return next;
    }
  for (const job of mine)
    for (const to of others)
      for (const back of nights[to]!) {
        if (back.minutes.likely * back.people >= job.minutes.likely * job.people) continue;
        const there = [...nights[to]!.filter((one) => one !== back), job];
        const here = [...mine.filter((one) => one !== job), back];
        const next = with_(
          nights,
          new Map([
            [broken, here],
            [to, there],
          ]),
        );
        if (mayBeIn(job, to, next) && mayBeIn(back, broken, next) && fits(there)) return next;
      }
  return null;
}

/** Nights that all fit, made from some that do not by moving and exchanging jobs; `null` where that leads nowhere. */
export function repaired(
  nights: readonly (readonly NightJob[])[],
  fits: Fits,
): (readonly NightJob[])[] | null {
  let now: readonly (readonly NightJob[])[] = nights;
  for (let count = 0; count < mostSteps; count += 1) {
    const broken = now.findIndex((jobs) => !fits(jobs));
    if (broken < 0) return [...now];
    const next = step(now, broken, fits);
    if (!next) return null;
    now = next;
  }
  return null;
}
