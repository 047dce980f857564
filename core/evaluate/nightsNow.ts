import { gateStateOf, type GateState } from '#core/cutover/gates';
import type { Morning } from '#core/cutover/mornings';
import {
  chanceOf,
  darkBands,
  datesOf,
  dayAfter,
  endOfNight,
  isOpenDate,
  liftBands,
  objectionsTo,
  shiftMinutes,
  timedNight,
  type DarkBand,
  type GivenJob,
  type LiftBand,
  type MorningLimit,
  type Objection,
  type PlannedJob,
} from '#core/cutover/nights';
import {
  nightTasks,
  progressOfTask,
  followsNight,
  openBefore,
  startBy,
  taskKind,
  tasksDone,
  tasksOf,
  type Calendar,
  type Task,
  type TaskProgress,
} from '#core/cutover/tasks';
import {
  cutoverSettingsOf,
  gates,
  lastTries,
  type TaskTry,
  type CrewMember,
  type CutoverSettings,
  type TaskEnding,
  type PlannedNightFact,
  type Site,
} from '#core/model/site';
import { planFrom } from './agreePlan';
import { morningsAfter } from './cutoverOf';
import { morningLimitsOf } from './morningLoads';
import type { SiteEvaluation } from './evaluateSite';
import type { NightClock } from './nightClock';
import { nightRulesOf } from './nightRulesOf';
import { migrationOfSite, type SiteMigration } from './slotAllocation';

/** When a job of a night began and ended, and how; minutes after the beginning of the shift. */
export interface ActualTry {
  start: number;
  end: number | null;
  how: TaskEnding | null;
}

/** A night as it was agreed, and as it goes. */
export interface NightNow {
  date: string;
  jobs: PlannedJob[];
  /** What was tried of it, by task. */
  actual: Record<string, ActualTry>;
  end: number;
  chance: number;
  dark: DarkBand[];
  lifts: LiftBand[];
  objections: Objection[];
  gates: GateState[];
  /** Tasks that have to be done before it and that nobody has ticked. */
  openBefore: string[];
  /** What is so in the morning after it. */
  morning: Morning;
  /** Views that are dark just now, and since when; minutes after the beginning of the shift. */
  darkNow: { view: string; since: number }[];
  state: 'to-come' | 'under-way' | 'over';
}

/** The nights of a site as they were agreed, how far they are, and what is in none of them. */
export interface NightsNow {
  settings: CutoverSettings;
  crew: CrewMember[];
  dates: string[];
  tasks: Task[];
  progress: Record<string, TaskProgress>;
  /** What could be asked for too much in a morning between. */
  limits: MorningLimit[];
  nights: NightNow[];
  /** The last dates on which what comes before the nights can begin, by task. */
  startBy: Record<string, string>;
  /** Ids of tasks before the nights that should have begun before today and have not, for something that is still to be done. */
  late: string[];
  /** The nights that what comes after them can follow, by task. */
  follows: Record<string, string>;
  /** Ids of tasks of the nights that are in none, and are not done. */
  inNone: string[];
  /** Tasks that are in a night and are none any more: what was decided is another. */
  gone: { date: string; taskId: string }[];
  totals: { nights: number; darkMinutes: number; restarts: number; done: number; all: number };
}

const minuteMs = 60_000;

/** Tasks as they are now, with the order of moves that they come from. */
export function tasksNow(
  site: Site,
  { runs, allocation, total }: SiteEvaluation,
  calendar: Calendar | null,
): { tasks: Task[]; migration: SiteMigration } {
  const migration = migrationOfSite(site, allocation);
  return { migration, tasks: tasksOf({ site, runs, migration, total, calendar }) };
}

/** Chances of nights that were sampled already, by what is in them. */
export type KnownChances = Map<string, number>;

function chanceKnown(
  jobs: readonly PlannedJob[],
  rules: Parameters<typeof chanceOf>[1],
  known: KnownChances,
): number {
  const key = JSON.stringify([jobs.map(({ job, team }) => [job.id, job.minutes, job.place, team]), rules]);
  const before = known.get(key);
  if (before !== undefined) return before;
  const chance = chanceOf(jobs, rules);
  known.set(key, chance);
  return chance;
}

/** When jobs of a night began and ended, by the records of its tries. */
function actualIn(site: Site, { date, jobs }: PlannedNightFact, begin: number): Record<string, ActualTry> {
  const minutes = (instant: string) => (Date.parse(instant) - begin) / minuteMs;
  const inNight = Object.values(site.taskTry).filter(({ night }) => night === date);
  const last = lastTries({ taskTry: Object.fromEntries(inNight.map((one) => [one.id, one])) });
  return Object.fromEntries(
    jobs.flatMap(({ taskId }) => {
      const one = last.get(taskId);
      if (!one) return [];
      const end = one.ended ? minutes(one.ended.at) : null;
      return [[taskId, { start: minutes(one.beganAt), end, how: one.ended?.how ?? null }]];
    }),
  );
}

/** Tasks that have ended in a night, however. */
export const endedIn = (actual: Readonly<Record<string, ActualTry>>): Set<string> =>
  new Set(Object.entries(actual).flatMap(([id, { end }]) => (end === null ? [] : [id])));

const stateOf = (begin: number, shift: number, now: number, isWorked: boolean): NightNow['state'] =>
  now >= begin + shift * minuteMs ? 'over' : now >= begin || isWorked ? 'under-way' : 'to-come';

/** Views of tasks that are under way, and of those whose inputs were turned and that have not been changed since. */
function darkNowIn(
  jobs: readonly PlannedJob[],
  actual: Readonly<Record<string, ActualTry>>,
): NightNow['darkNow'] {
  const dark = jobs.flatMap(({ job }) => {
    const own = actual[job.id];
    const turn = job.sameNight === null ? undefined : actual[job.sameNight];
    const isUnderWay = own !== undefined && own.end === null;
    const waits = own?.how !== 'done' && turn?.how === 'done';
    if (!isUnderWay && !waits) return [];
    return job.dark.map(({ view }) => ({ view, since: waits ? turn.start : own!.start }));
  });
  const since = new Map<string, number>();
  for (const one of dark) since.set(one.view, Math.min(one.since, since.get(one.view) ?? Infinity));
  return [...since].map(([view, start]) => ({ view, since: start }));
}

/** What is against a night in which the clocks change: its hours, and all times in it, are reckoned as if they did not. */
function clockChange(
  date: string,
  { shift: { start, end } }: Pick<CutoverSettings, 'shift'>,
  beginOf: NightClock['beginOf'],
): Objection[] {
  const over = beginOf(end <= start ? dayAfter(date) : date, end);
  const minutes = (over - beginOf(date, start)) / minuteMs - shiftMinutes({ start, end });
  return Math.abs(minutes) < 1 ? [] : [{ kind: 'clock-change', minutes }];
}

interface HowFar {
  nightOf: ReadonlyMap<string, string>;
  done: ReadonlySet<string>;
  tries: ReadonlyMap<string, TaskTry>;
  today: string;
}

function lateOf(tasks: readonly Task[], { nightOf, done, tries, today }: HowFar): string[] {
  const left = tasks.filter(({ id, excluded }) => !done.has(id) && excluded === null);
  const by = startBy(left, nightOf);
  return left
    .filter(({ id, kind }) => taskKind(kind).when === 'before' && (by.get(id) ?? today) < today)
    .flatMap(({ id }) => (progressOfTask(tries.get(id)).kind === 'open' ? [id] : []));
}

/** The nights as they were agreed, with their times, chances, dark views, mornings, and what is against them. */
export function nightsNow(
  site: Site,
  evaluation: SiteEvaluation,
  today: string,
  { now, beginOf }: NightClock,
  known: KnownChances = new Map(),
): NightsNow {
  const settings = cutoverSettingsOf(site, today);
  const crew = Object.values(site.crewMember);
  const rules = nightRulesOf(site, settings);
  const agreed = Object.values(site.plannedNight).sort((a, b) => a.date.localeCompare(b.date, 'en'));
  const coming = datesOf({ ...settings, from: planFrom(site, settings, today, { now, beginOf }) });
  const dates = [...new Set([...coming, ...agreed.map(({ date }) => date)])].sort();
  const { tasks, migration } = tasksNow(site, evaluation, { settings, dates });
  const done = tasksDone(site);
  const limits = morningLimitsOf(site, evaluation, migration, done);
  const tries = lastTries(site);
  const jobs = new Map(nightTasks(tasks).map((task) => [task.id, task]));
  const place = new Map(crew.map(({ id }, index) => [id, index]));
  const given = ({ jobs: all }: PlannedNightFact): GivenJob[] =>
    all.flatMap(({ taskId, crewIds }) => {
      const job = jobs.get(taskId);
      return job ? [{ job, team: crewIds.flatMap((id) => place.get(id) ?? []) }] : [];
    });
  const timed = agreed.map((night) => {
    const begin = beginOf(night.date, settings.shift.start);
    const actual = actualIn(site, night, begin);
    const order = given(night);
    const planned = timedNight(order, rules);
    const state = stateOf(begin, rules.shiftMinutes, now, Object.keys(actual).length > 0);
    const goes =
      state === 'to-come' || Object.keys(actual).length === 0
        ? planned
        : timedNight(order, rules, {
            minutesOf: (index) => order[index]!.job.minutes.likely,
            begun: new Map(Object.entries(actual)),
            now: state === 'under-way' ? (now - begin) / minuteMs : 0,
          });
    return { ...night, begin, actual, state, planned, goes, chance: chanceKnown(planned, rules, known) };
  });
  const objections = objectionsTo(
    timed.map(({ date, planned, chance, actual }) => ({
      night: isOpenDate(settings, date) ? dates.indexOf(date) : null,
      jobs: planned,
      chance,
      ended: endedIn(actual),
    })),
    crew,
    rules,
    done,
    limits,
  );
  // What a night that is over has not brought about is not so in its morning.
  const brought = timed.map(({ planned, actual, state }) =>
    planned
      .map(({ job }) => job.id)
      .filter((id) => (state === 'over' ? actual[id]?.how === 'done' : actual[id]?.how !== 'put-back')),
  );
  const mornings = morningsAfter(site, evaluation, migration, tasks, brought);
  const nights = timed.map((one, index): NightNow => ({
    date: one.date,
    jobs: one.goes,
    actual: one.actual,
    end: endOfNight(one.goes),
    chance: one.chance,
    dark: darkBands(one.goes),
    lifts: liftBands(one.goes),
    objections: [
      ...(one.state === 'over' ? [] : clockChange(one.date, settings, beginOf)),
      ...objections[index]!,
    ],
    openBefore: openBefore(
      one.jobs.map(({ taskId }) => taskId),
      tasks,
      done,
    ),
    gates: gates.map((gate) => gateStateOf(site, one.date, gate)),
    morning: mornings[index]!,
    darkNow: darkNowIn(one.planned, one.actual),
    state: one.state,
  }));
  const nightOf = new Map(
    agreed.flatMap(({ date, jobs: all }) => all.map(({ taskId }) => [taskId, date] as const)),
  );
  const inNights = new Set(agreed.flatMap(({ jobs: all }) => all.map(({ taskId }) => taskId)));
  return {
    settings,
    crew,
    dates,
    tasks,
    progress: Object.fromEntries(tasks.map(({ id }) => [id, progressOfTask(tries.get(id))])),
    limits,
    nights,
    startBy: Object.fromEntries(startBy(tasks, nightOf)),
    late: lateOf(tasks, { nightOf, done, tries, today }),
    follows: Object.fromEntries(followsNight(tasks, nightOf)),
    inNone: [...jobs.keys()].filter((id) => !inNights.has(id) && !done.has(id)),
    gone: agreed.flatMap(({ date, jobs: all }) =>
      all.filter(({ taskId }) => !jobs.has(taskId)).map(({ taskId }) => ({ date, taskId })),
    ),
    totals: {
      nights: nights.length,
      darkMinutes: nights.reduce(
        (sum, { dark }) => sum + dark.reduce((minutes, { start, end }) => minutes + end - start, 0),
        0,
      ),
      restarts: nights.reduce(
        (sum, one) => sum + one.jobs.filter(({ job }) => job.restarts !== null).length,
        0,
      ),
      done: [...jobs.keys()].filter((id) => done.has(id)).length,
      all: jobs.size,
    },
  };
}
