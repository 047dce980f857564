import { beyondCrew, type ToAssign } from './assignment';
import { nightOf, type KnownNights } from './knownNights';
import type { NightJob, NightRules } from './nightJob';
import { latestStartOf } from './plannedJob';
import { ruleBroken } from './ruleBroken';

/** A job that no night holds, and why. */
export interface Beyond {
  id: string;
  why: string;
}

const clock = (minutes: number): string =>
  `${Math.floor(minutes / 60)} h ${String(Math.round(minutes % 60)).padStart(2, '0')} min`;

/** What is said of a job that would fit into the shift, and does not into the hours that it is held to; `null` where they are not to blame. */
function tightWindow(job: NightJob, rules: NightRules): string | null {
  const { window } = job;
  if (!window || latestStartOf({ ...job, window: null }, rules) < 0) return null;
  const needed = window.to - latestStartOf(job, rules);
  const there = Math.max(0, window.to - window.from);
  return `takes ${clock(needed)} with the time to take it back, and has ${clock(there)} of the shift: ${window.why}`;
}

/** Jobs that have to be in the night of another one, where no night holds all of those. */
function beyondTogether(asked: ToAssign, known: KnownNights): Beyond[] {
  const { jobs } = asked;
  return jobs.flatMap((head) => {
    const under = jobs.filter(({ sameNight }) => sameNight === head.id);
    if (under.length === 0 || nightOf([head, ...under], asked, known)) return [];
    const hours = [head, ...under].flatMap(({ window }) => (window ? [window.why] : []));
    const more =
      under.length === 1 ? 'one task whose input turns' : `${under.length} tasks whose inputs turn`;
    const why = `has ${more} under it, and all of them are more than a night holds`;
    const wayOut =
      hours.length > 0 ? ['widen those hours, or prepare the tasks before'] : ['prepare those tasks before'];
    return [{ id: head.id, why: [why, ...new Set(hours), ...wayOut].join('; ') }];
  });
}

/** Jobs that no night holds, however empty. */
export function beyondNight(asked: ToAssign, known: KnownNights): Beyond[] {
  const { jobs, crew, rules } = asked;
  const beyond = beyondCrew(jobs, crew).map(({ job, why }): Beyond => ({ id: job.id, why }));
  const ids = new Set(beyond.map(({ id }) => id));
  for (const job of jobs) {
    if (ids.has(job.id)) continue;
    const broken = ruleBroken(job, rules);
    if (broken) {
      const { dark, rule, most } = broken;
      beyond.push({
        id: job.id,
        why: `leaves ${dark} views of ${rule} dark at once, and at most ${most} may be`,
      });
      continue;
    }
    if (job.allowed?.nights.length === 0) {
      beyond.push({ id: job.id, why: `has no night left to it: ${job.allowed.why}` });
      continue;
    }
    if (nightOf([job], asked, known)) continue;
    const tight = tightWindow(job, rules);
    if (tight) {
      beyond.push({ id: job.id, why: tight });
      continue;
    }
    const needed = rules.shiftMinutes - latestStartOf(job, rules);
    beyond.push({
      id: job.id,
      why: `takes ${clock(needed)} with the time to take it back, and the shift has ${clock(rules.shiftMinutes)}`,
    });
  }
  return beyond.length > 0 ? beyond : beyondTogether(asked, known);
}
