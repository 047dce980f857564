import type { Unit } from '#core/shared/units';
import { carriedAfter, isTooMuch, type MorningLimit } from './morningLimits';
import { canDo, type NightJob, type NightRules, type Worker } from './nightJob';
import type { PlannedJob } from './plannedJob';
import { ruleBroken } from './ruleBroken';

/** A night whose jobs have their times. */
export interface NightOfJobs {
  /** Which of the nights it is; one that no night can be has none. */
  night: number | null;
  jobs: readonly PlannedJob[];
}

/** What is against a night as it stands, by ids of jobs; minutes after the beginning of the shift. */
export type Objection =
  | { kind: 'closed' }
  | { kind: 'begun' }
  | { kind: 'full'; most: number }
  | { kind: 'late'; job: string; start: number; latest: number }
  | { kind: 'order'; job: string; first: string }
  | { kind: 'together'; job: string; other: string }
  | { kind: 'restart'; of: string; jobs: string[] }
  | { kind: 'people'; job: string; people: number; given: number }
  | { kind: 'skill'; job: string; skill: string }
  | { kind: 'person'; job: string; person: string }
  | { kind: 'promised'; job: string; night: number }
  | { kind: 'not-then'; job: string; why: string }
  | { kind: 'views'; job: string; rule: string; dark: number; most: number }
  | { kind: 'morning'; of: string; what: string; carried: number; most: number; unit: Unit }
  | { kind: 'unsure'; chance: number }
  /** The clocks change in the night: its shift is so many minutes longer than it says, or shorter. */
  | { kind: 'clock-change'; minutes: number };

/** Whether those whom a job is given to may do it. */
function teamObjections({ job, team }: PlannedJob, crew: readonly Worker[]): Objection[] {
  const people = team.flatMap((person) => crew[person] ?? []);
  const short: Objection[] =
    people.length < job.people
      ? [{ kind: 'people', job: job.id, people: job.people, given: people.length }]
      : [];
  const skills = job.skills
    .filter((skill) => !canDo({ skills: [skill] }, people))
    .map((skill): Objection => ({ kind: 'skill', job: job.id, skill }));
  const persons = job.by
    .filter((id) => !people.some((one) => one.id === id))
    .map((person): Objection => ({ kind: 'person', job: job.id, person }));
  return [...short, ...skills, ...persons];
}

/** Where each job that is still to be done is, by its id. */
type Where = ReadonlyMap<string, { at: number; start: number; end: number }>;

/** What was tried in a night and put back is not there any more: whatever waits for it waits on. */
const whereAll = (nights: readonly (NightOfJobs & { ended: ReadonlySet<string> })[]): Where =>
  new Map(
    nights.flatMap(({ jobs, ended }, at) =>
      jobs
        .filter(({ job }) => !ended.has(job.id))
        .map(({ job, start, end }) => [job.id, { at, start, end }] as const),
    ),
  );

/** The night that a job is looked at in, and everything else that is to be done or is done. */
interface Around {
  at: number;
  night: number | null;
  where: Where;
  done: ReadonlySet<string>;
}

/** What is against a job in its night, all others standing where they are. */
function jobObjections(
  planned: PlannedJob,
  { at, night, where, done }: Around,
  crew: readonly Worker[],
  rules: NightRules,
): Objection[] {
  const { job, start, latestStart } = planned;
  const found: Objection[] = teamObjections(planned, crew);
  if (start > latestStart + 1e-9) found.push({ kind: 'late', job: job.id, start, latest: latestStart });
  for (const id of job.needs) {
    const first = where.get(id);
    const isBefore = first && (first.at < at || (first.at === at && first.end <= start + 1e-9));
    if (!done.has(id) && !isBefore) found.push({ kind: 'order', job: job.id, first: id });
  }
  if (job.sameNight !== null && !done.has(job.sameNight) && where.get(job.sameNight)?.at !== at)
    found.push({ kind: 'together', job: job.id, other: job.sameNight });
  if (job.pinned !== null && job.pinned !== night)
    found.push({ kind: 'promised', job: job.id, night: job.pinned });
  if (job.allowed !== null && night !== null && !job.allowed.nights.includes(night))
    found.push({ kind: 'not-then', job: job.id, why: job.allowed.why });
  const broken = ruleBroken(job, rules);
  if (broken) found.push({ kind: 'views', job: job.id, ...broken });
  return found;
}

/** Things that a night restarts more than once. */
function restartObjections(jobs: readonly NightJob[]): Objection[] {
  const byThing = new Map<string, string[]>();
  for (const { id, restarts } of jobs)
    if (restarts !== null) byThing.set(restarts, [...(byThing.get(restarts) ?? []), id]);
  return [...byThing]
    .filter(([, ids]) => ids.length > 1)
    .map(([of, ids]) => ({ kind: 'restart', of, jobs: ids }));
}

/** What carries more than it can in the morning after each night. */
function morningObjections(
  limits: readonly MorningLimit[],
  nights: readonly (readonly string[])[],
): Objection[][] {
  const carried = limits.map((limit) => carriedAfter(limit, nights));
  return nights.map((_, at) =>
    limits.flatMap((limit, k): Objection[] => {
      const now = carried[k]![at]!;
      if (!isTooMuch(now, limit)) return [];
      const { name, label, most, unit } = limit;
      return [{ kind: 'morning', of: name, what: label, carried: now, most, unit }];
    }),
  );
}

/**
 * What is against each night as it stands; nights in their order. `ended` is what was tried in a night to its end, and is against nothing there
 * any more; `done` is what holds, in whichever night.
 */
export function objectionsTo(
  nights: readonly (NightOfJobs & { chance: number; ended: ReadonlySet<string> })[],
  crew: readonly Worker[],
  rules: NightRules,
  done: ReadonlySet<string> = new Set(),
  mornings: readonly MorningLimit[] = [],
): Objection[][] {
  const where = whereAll(nights);
  const openIn = ({ jobs, ended }: (typeof nights)[number]) => jobs.filter(({ job }) => !ended.has(job.id));
  const ofMornings = morningObjections(
    mornings,
    nights.map((night) => openIn(night).map(({ job }) => job.id)),
  );
  return nights.map((one, at) => {
    const { night, jobs, chance } = one;
    const open = openIn(one);
    if (open.length === 0) return [];
    return [
      ...(night === null ? [{ kind: 'closed' } as const] : []),
      ...open.flatMap((planned) => jobObjections(planned, { at, night, where, done }, crew, rules)),
      ...restartObjections(jobs.map(({ job }) => job)),
      ...ofMornings[at]!,
      ...(chance < rules.sureChance ? [{ kind: 'unsure', chance } as const] : []),
    ];
  });
}
