import { draftProgramme, type Programme } from '#core/solver';
import { NightDemands } from './nightDemand';
import type { NightPatterns } from './nightPatterns';
import type { MorningLimit } from './morningLimits';
import { canDo, teamsFor, type NightJob, type NightRules, type Worker } from './nightJob';
import { latestStartOf } from './plannedJob';

/** What a lift that stands for a night, and a place that is gone to in one cost against each other. */
export interface NightCosts {
  lift: number;
  place: number;
}

/** Jobs of which any one night holds so many at most. */
export interface Cut {
  jobs: readonly string[];
  most: number;
}

/** The nights of a change as a programme: which job is done in which. Whether a night can be worked in some order is not in it. */
export interface Assignment {
  programme: Programme;
  /** What the names of its demands stand for. */
  demands: NightDemands;
  /** The variable of a job in a night, by their places. */
  variableOf: (job: number, night: number) => number;
}

/** Minutes that people with a skill, or anybody, can work in a night. */
const minutesOf = (
  crew: readonly Worker[],
  skill: string | null,
  { shiftMinutes, reserveMinutes }: NightRules,
) =>
  (shiftMinutes - reserveMinutes) *
  crew.filter(({ skills }) => skill === null || skills.includes(skill)).length;

/** What the programme shares out. */
export interface ToAssign {
  jobs: readonly NightJob[];
  crew: readonly Worker[];
  rules: NightRules;
  /** What carries only so much in the mornings between. */
  mornings?: readonly MorningLimit[];
}

/** What more nights are held to: the ways in which they can be filled, and, where there is to be room, restarts in a night after what they wait for. */
interface Shape {
  patterns?: NightPatterns | null;
  isRoomy?: boolean;
}

/**
 * Each job in one night, what it needs no later, people’s minutes, one restart of a thing a night, what is carried in each morning, and what
 * was found to be too much for a night.
 */
export function assignmentOf(
  { jobs, crew, rules, mornings = [] }: ToAssign,
  nights: number,
  cuts: readonly Cut[],
  costs: NightCosts,
  { patterns = null, isRoomy = false }: Shape = {},
): Assignment {
  const demands = new NightDemands();
  const draft = { ...draftProgramme(), named: demands.named };
  const { variable, row, programme, named } = draft;
  const indexOf = new Map(jobs.map(({ id }, index) => [id, index]));
  const all = Array.from({ length: nights }, (_, night) => night);
  const x = jobs.map((job) => all.map((night) => variable(`${job.id} in ${night + 1}`, 1, 0)));
  const one = (v: number, by = 1) => ({ variable: v, by });

  jobs.forEach((job, index) => {
    row(
      `${job.id} once`,
      x[index]!.map((v) => one(v)),
      '=',
      1,
    );
    if (job.pinned !== null)
      row(`${job.id} pinned`, [one(x[index]![job.pinned]!)], '=', 1, named({ kind: 'pinned', job: job.id }));
    if (job.allowed !== null) {
      const { nights: open } = job.allowed;
      row(
        `${job.id} allowed`,
        all.filter((night) => !open.includes(night)).map((night) => one(x[index]![night]!)),
        '=',
        0,
        named({ kind: 'allowed', job: job.id }),
      );
    }
    const other = job.sameNight === null ? undefined : indexOf.get(job.sameNight);
    if (other !== undefined)
      for (const night of all)
        row(
          `${job.id} with ${jobs[other]!.id} in ${night + 1}`,
          [one(x[index]![night]!), one(x[other]![night]!, -1)],
          '=',
          0,
        );
    for (const need of job.needs.flatMap((id) => indexOf.get(id) ?? []))
      for (const night of all)
        row(
          `${job.id} after ${jobs[need]!.id} by ${night + 1}`,
          [
            one(x[index]![night]!),
            ...all
              .filter((earlier) => (isRoomy && job.restarts !== null ? earlier < night : earlier <= night))
              .map((earlier) => one(x[need]![earlier]!, -1)),
          ],
          '<=',
          0,
        );
  });
  if (patterns) patternRows(draft, patterns, all, (id, night) => x[indexOf.get(id)!]![night]!);
  workRows(draft, jobs, crew, rules, all, x);
  sharedRows(draft, jobs, all, x, costs);
  morningRows(draft, mornings, all, (id, night) => x[indexOf.get(id) ?? -1]?.[night]);
  cuts.forEach((cut, index) => {
    for (const night of all)
      row(
        `cut ${index} in ${night + 1}`,
        cut.jobs.map((id) => one(x[indexOf.get(id)!]![night]!)),
        '<=',
        cut.most,
        named({ kind: 'cut', jobs: cut.jobs }),
      );
  });
  return { programme, demands, variableOf: (job, night) => x[job]![night]! };
}

/** A programme that is being written, with names for what is demanded. */
type NightsDraft = ReturnType<typeof draftProgramme> & Pick<NightDemands, 'named'>;

/** Each night is of one pattern, and holds of each kind what that has room for. */
function patternRows(
  { row, variable, named }: NightsDraft,
  { kinds, patterns }: NightPatterns,
  all: readonly number[],
  variableOf: (id: string, night: number) => number,
): void {
  for (const night of all) {
    const is = patterns.map((_, k) => variable(`night ${night + 1} as ${k}`, 1, 0));
    row(
      `night ${night + 1} as one`,
      is.map((one) => ({ variable: one, by: 1 })),
      '<=',
      1,
      named({ kind: 'crew', skill: null }),
    );
    kinds.forEach((ids, kind) =>
      row(
        `kind ${kind} in ${night + 1}`,
        [
          ...ids.map((id) => ({ variable: variableOf(id, night), by: 1 })),
          ...patterns.flatMap((pattern, k) =>
            pattern[kind]! > 0 ? [{ variable: is[k]!, by: -pattern[kind]! }] : [],
          ),
        ],
        '<=',
        0,
        named({ kind: 'crew', skill: null }),
      ),
    );
  }
}

/** What is done by a morning changes what is carried in it; what is done in none of these nights changes nothing. */
function morningRows(
  { row, named }: NightsDraft,
  mornings: readonly MorningLimit[],
  all: readonly number[],
  variableOf: (id: string, night: number) => number | undefined,
): void {
  for (const { name, label, most, before, changes } of mornings)
    for (const night of all)
      row(
        `${name} ${label} after ${night + 1}`,
        Object.entries(changes).flatMap(([id, by]) =>
          all
            .filter((earlier) => earlier <= night)
            .flatMap((earlier) => {
              const variable = variableOf(id, earlier);
              return variable === undefined ? [] : [{ variable, by }];
            }),
        ),
        '<=',
        most - before,
        named({ kind: 'morning', of: name }),
      );
}

/** A person with the jobs that cannot be done without him, and the latest that one of them can end. */
interface Tie {
  person: number;
  tied: ReadonlySet<string>;
  end: number;
}

/** Jobs that all need the same person are done one after the other, and the last of them has to be begun while it can still be taken back. */
function tiesOf(jobs: readonly NightJob[], crew: readonly Worker[], rules: NightRules): Tie[] {
  const teams = new Map(jobs.map((job) => [job.id, teamsFor(job, crew)]));
  return crew.flatMap((_, person): Tie[] => {
    const tied = jobs.filter(({ id }) => teams.get(id)!.every((team) => team.includes(person)));
    if (tied.length === 0) return [];
    const end = Math.max(...tied.map((job) => latestStartOf(job, rules) + job.minutes.likely));
    return [{ person, tied: new Set(tied.map(({ id }) => id)), end }];
  });
}

/** What people can do in a night: all of them together, and those with a skill. */
function workRows(
  { row, named }: NightsDraft,
  jobs: readonly NightJob[],
  crew: readonly Worker[],
  rules: NightRules,
  all: readonly number[],
  x: readonly (readonly number[])[],
): void {
  const skills = [...new Set(jobs.flatMap((job) => job.skills))];
  const ties = tiesOf(jobs, crew, rules);
  for (const night of all) {
    const terms = (minutes: (job: NightJob) => number) =>
      jobs.flatMap((job, index) => {
        const by = minutes(job);
        return by > 0 ? [{ variable: x[index]![night]!, by }] : [];
      });
    row(
      `work in ${night + 1}`,
      terms(({ minutes, people }) => minutes.likely * people),
      '<=',
      minutesOf(crew, null, rules),
      named({ kind: 'crew', skill: null }),
    );
    for (const { person, tied, end } of ties)
      row(
        `${crew[person]!.id} in ${night + 1}`,
        terms((job) => (tied.has(job.id) ? job.minutes.likely : 0)),
        '<=',
        end,
        named({ kind: 'crew', skill: null }),
      );
    for (const skill of skills)
      row(
        `${skill} in ${night + 1}`,
        terms((job) => (job.skills.includes(skill) ? job.minutes.likely : 0)),
        '<=',
        minutesOf(crew, skill, rules),
        named({ kind: 'crew', skill }),
      );
  }
}

/** Things that restart once a night at most, lifts that stand for a night, and places that are gone to. */
function sharedRows(
  { row, variable, named }: NightsDraft,
  jobs: readonly NightJob[],
  all: readonly number[],
  x: readonly (readonly number[])[],
  costs: NightCosts,
): void {
  const group = (of: (job: NightJob) => string | null): Map<string, number[]> => {
    const groups = new Map<string, number[]>();
    jobs.forEach((job, index) => {
      const key = of(job);
      if (key !== null) groups.set(key, [...(groups.get(key) ?? []), index]);
    });
    return groups;
  };
  for (const [thing, members] of group(({ restarts }) => restarts))
    for (const night of all)
      row(
        `${thing} restarts in ${night + 1}`,
        members.map((index) => ({ variable: x[index]![night]!, by: 1 })),
        '<=',
        1,
        named({ kind: 'restart', of: thing }),
      );
  const visited = (groups: Map<string, number[]>, what: string, cost: number): void => {
    if (cost === 0) return;
    for (const [key, members] of groups)
      for (const night of all) {
        const there = variable(`${what} ${key} in ${night + 1}`, 1, cost);
        for (const index of members)
          row(
            `${what} ${key} for ${jobs[index]!.id} in ${night + 1}`,
            [
              { variable: x[index]![night]!, by: 1 },
              { variable: there, by: -1 },
            ],
            '<=',
            0,
          );
      }
  };
  visited(
    group(({ lift }) => lift),
    'lift at',
    costs.lift,
  );
  visited(
    group(({ place }) => place),
    'place',
    costs.place,
  );
}

/** How many nights there have to be, however jobs are shared out: by people’s minutes, by what a night holds of a kind, by restarts and promises. */
export function leastNights(
  jobs: readonly NightJob[],
  crew: readonly Worker[],
  rules: NightRules,
  cuts: readonly Cut[],
): number {
  const minutes = (some: readonly NightJob[], by: (job: NightJob) => number = () => 1) =>
    some.reduce((sum, job) => sum + job.minutes.likely * by(job), 0);
  const restarts = new Map<string, number>();
  for (const { restarts: thing } of jobs)
    if (thing !== null) restarts.set(thing, (restarts.get(thing) ?? 0) + 1);
  const shares = [
    minutes(jobs, ({ people }) => people) / minutesOf(crew, null, rules),
    ...tiesOf(jobs, crew, rules).map(({ tied, end }) => minutes(jobs.filter(({ id }) => tied.has(id))) / end),
    ...cuts.map((cut) => cut.jobs.length / cut.most),
    ...restarts.values(),
    ...jobs.map(({ pinned, allowed }) => 1 + (pinned ?? Math.min(...(allowed?.nights ?? [0])))),
  ];
  // A hair less, so that rounding asks for no night that is not needed.
  return Math.max(1, ...shares.map((share) => Math.ceil(share - 1e-9)));
}

const hands = (count: number): string =>
  count === 0 ? 'nobody' : count === 1 ? 'one person' : `${count} people`;

/** Jobs that nobody of a crew can do, with what they are missing. */
export function beyondCrew(
  jobs: readonly NightJob[],
  crew: readonly Worker[],
): { job: NightJob; why: string }[] {
  return jobs.flatMap((job) => {
    if (crew.length < job.people)
      return [{ job, why: `takes ${hands(job.people)}, and the crew is ${hands(crew.length)}` }];
    const missing = job.skills.filter((skill) => !canDo({ skills: [skill] }, crew));
    return missing.length > 0
      ? [{ job, why: `nobody of the crew is down for ${missing.join(' and ')}` }]
      : [];
  });
}
