import type { Highs } from 'highs';
import { morningsOf, type Morning } from '#core/cutover/mornings';
import {
  datesOf,
  leastDark,
  planNights,
  type MorningLimit,
  type NightsPlan,
  type PlannedNight,
} from '#core/cutover/nights';
import { nightTasks, stepTaskOf, tasksDone, tasksOf, waitingLoop, type Task } from '#core/cutover/tasks';
import { conflictInWords, taskTitle } from '#core/cutover/words';
import {
  allocationSettingsOf,
  camerasPerNight,
  lastTries,
  type CrewMember,
  type CutoverSettings,
  type PlannedNightFact,
  type Site,
} from '#core/model/site';
import { evaluateSite, type SiteEvaluation } from './evaluateSite';
import { morningLimitsOf } from './morningLoads';
import { nightRulesOf } from './nightRulesOf';
import { seenElsewhere } from './seenElsewhere';
import { migrationOfSite, moversOf, type SiteMigration } from './slotAllocation';

/** How long is searched where nobody says. */
const usualSeconds = 60;

/** The nights of a change, or why there are none. */
export type CutoverPlan =
  | Extract<NightsPlan, { kind: 'planned' | 'impossible' }>
  | { kind: 'conflict'; message: string }
  | { kind: 'nothing' };

export interface Cutover {
  settings: CutoverSettings;
  crew: CrewMember[];
  dates: string[];
  /** Everything that is done, in the nights and beside them. */
  tasks: Task[];
  plan: CutoverPlan;
  /** How many cameras a night of the order of moves holds in it. */
  perNight: number;
  /** What is so after each of the nights. */
  mornings: Morning[];
}

/** What somebody who waits for the nights hears meanwhile. */
export interface CutoverWatch {
  /** Seconds that may still be searched. */
  secondsLeft: () => number;
  /** Hears of the best nights so far. */
  better: (found: NightsFound) => void;
}

/** Nights as they can be agreed. */
export interface NightsFound {
  nights: Omit<PlannedNightFact, 'id'>[];
  /** How many cameras a night of the order of moves holds for them. */
  perNight: number;
  /** As many there have to be at least. */
  least: number;
}

/** Planned nights with their dates and people, as they are agreed. */
export const nightsFound = (
  nights: readonly PlannedNight[],
  { dates, crew, perNight }: Pick<Cutover, 'dates' | 'crew' | 'perNight'>,
  least: number,
): NightsFound => ({
  perNight,
  least,
  nights: nights.map(({ night, jobs }) => ({
    date: dates[night]!,
    jobs: jobs.map(({ job, team }) => ({
      taskId: job.id,
      crewIds: team.map((person) => crew[person]!.id),
    })),
  })),
});

/** The date of a task that is promised for a night that there is not. */
function withoutNight(
  site: Site,
  tasks: readonly Task[],
  dates: readonly string[],
): { id: string; why: string }[] {
  return tasks.flatMap(({ id }) => {
    const date = site.taskSetting[id]?.date;
    return date === undefined || dates.includes(date)
      ? []
      : [{ id, why: `is promised for ${date}, on which no night begins` }];
  });
}

/** Tasks that wait for each other, in words with the way out. */
const loopWords = (loop: readonly Task[]): string =>
  `waits for ${[...loop.slice(1), loop[0]!].map(taskTitle).join(', and that for ')}: take out one of the covers or tasks that ask for it, or give one of those cameras another way or slot`;

const noDates: CutoverPlan = {
  kind: 'conflict',
  message: 'No night can begin: every working day is one on which nothing may be touched. Take out a date.',
};

function planOf(
  highs: Highs,
  site: Site,
  settings: CutoverSettings,
  dates: readonly string[],
  { tasks, limits }: Derived,
  secondsLeft: () => number,
  better: (nights: readonly PlannedNight[], least: number) => void,
): CutoverPlan {
  const jobs = nightTasks(tasks, tasksDone(site));
  if (jobs.length === 0) return { kind: 'nothing' };
  const lost = withoutNight(site, jobs, dates);
  if (lost.length > 0) return { kind: 'impossible', jobs: lost };
  if (dates.length === 0) return noDates;
  const loop = waitingLoop(jobs);
  if (loop.length > 0) return { kind: 'impossible', jobs: [{ id: loop[0]!.id, why: loopWords(loop) }] };
  const asked = {
    jobs,
    crew: Object.values(site.crewMember),
    rules: nightRulesOf(site, settings),
    nights: dates.length,
    mornings: limits,
  };
  const plan = planNights(highs, asked, secondsLeft, better);
  if (plan.kind !== 'conflict') return plan;
  const byId = new Map(jobs.map((job) => [job.id, job]));
  const message = conflictInWords(plan.demands, {
    task: (id) => taskTitle(byId.get(id)!),
    thing: (id) => site.recorder[id]?.name ?? id,
    heldBy: (id) => byId.get(id)!.allowed!.why,
    nights: dates.length,
  });
  return { kind: 'conflict', message };
}

/** The tasks of a change in one order of moves. */
interface Derived {
  /** How many cameras a night of that order holds. */
  perNight: number;
  migration: SiteMigration;
  tasks: Task[];
  /** What could be asked for too much in a morning between. */
  limits: MorningLimit[];
}

/** An order of moves with the nights that it fills. */
interface Attempt extends Derived {
  plan: CutoverPlan;
}

/** The order of moves with so many cameras in a night: fewer in one mean more restarts of a recorder, each with less to do in its night. */
const withPerNight = (site: Site, perNight: number): Site => {
  const settings = allocationSettingsOf(site);
  return { ...site, allocationSettings: { [settings.id]: { ...settings, asPlanned: perNight } } };
};

/** What is dark for less than a twentieth longer is dark as long: how long anything takes is not known better. */
const darkAlike = 1.05;

/**
 * Orders of moves to try, those that leave views dark for the fewest minutes first: with fewer cameras in a night a recorder restarts more often,
 * and fewer wait in the dark for their own change. Of those that are alike the fewest restarts come first. Only the one that was planned by, where something of it was begun.
 */
function ordersOfMoves(
  site: Site,
  settings: CutoverSettings,
  derived: (perNight: number) => Derived,
): Derived[] {
  const wished = allocationSettingsOf(site);
  const { perNight: most } = wished;
  const asPlanned = derived(camerasPerNight(wished));
  const tried = lastTries(site);
  if (nightTasks(asPlanned.tasks).some(({ id }) => tried.has(id))) return [asPlanned];
  const rules = nightRulesOf(site, settings);
  const crew = Object.values(site.crewMember);
  const orders = Array.from({ length: most }, (_, k) => derived(most - k));
  const dark = new Map(orders.map((order) => [order, leastDark(nightTasks(order.tasks), crew, rules)]));
  const alike = darkAlike * Math.min(...dark.values());
  const darkness = (order: Derived) => Math.max(alike, dark.get(order)!);
  return orders.sort((a, b) => darkness(a) - darkness(b) || b.perNight - a.perNight);
}

/** What has to be so in the mornings after some nights of tasks. */
export function morningsAfter(
  site: Site,
  { allocation }: Pick<SiteEvaluation, 'allocation'>,
  migration: SiteMigration,
  tasks: readonly Task[],
  nights: readonly (readonly string[])[],
): Morning[] {
  const known = new Set(tasks.map(({ id }) => id));
  return morningsOf({
    recorders: Object.values(site.recorder),
    movers: [...moversOf(site, allocation), ...seenElsewhere(site, allocation.needs)],
    migration,
    taskOf: (step, night) => {
      const id = stepTaskOf(step, night);
      return known.has(id) ? id : null;
    },
    nights,
  });
}

/**
 * Plans the nights in which what was decided for a site is done, but for what is done already. Cameras whose inputs turn under them are changed
 * in the night of the turn; so many are turned at once as leave views dark for the fewest minutes, and fewer where that is more than the nights
 * hold, unless something of that order of moves is begun. The proof is of the nights for that order of moves.
 */
export function cutoverOf(
  highs: Highs,
  site: Site,
  settings: CutoverSettings,
  { secondsLeft = () => usualSeconds, better = () => undefined }: Partial<CutoverWatch> = {},
): Cutover {
  const evaluation = evaluateSite(site);
  const { runs, allocation, total } = evaluation;
  const dates = datesOf(settings);
  const crew = Object.values(site.crewMember);
  const done = tasksDone(site);
  const derived = (perNight: number): Derived => {
    const migration = migrationOfSite(withPerNight(site, perNight), allocation);
    const tasks = tasksOf({ site, runs, migration, total, calendar: { settings, dates } });
    return { perNight, migration, tasks, limits: morningLimitsOf(site, evaluation, migration, done) };
  };
  const attempt = (order: Derived): Attempt => {
    const { perNight } = order;
    const tell = (nights: readonly PlannedNight[], least: number) =>
      better(nightsFound(nights, { dates, crew, perNight }, least));
    const plan = planOf(highs, site, settings, dates, order, secondsLeft, tell);
    return { ...order, plan };
  };
  const [first, ...others] = ordersOfMoves(site, settings, derived);
  const isPlanned = ({ plan: { kind } }: Attempt) => kind === 'planned' || kind === 'nothing';
  let best = attempt(first!);
  for (const other of others) {
    if (isPlanned(best)) break;
    const next = attempt(other);
    // Where none leads anywhere, what stands against the first is said.
    if (isPlanned(next)) best = next;
  }
  const { migration, tasks, plan, perNight } = best;
  const before = tasks.filter(({ id }) => done.has(id)).map(({ id }) => id);
  const nights = plan.kind === 'planned' ? plan.nights.map(({ jobs }) => jobs.map(({ job }) => job.id)) : [];
  return {
    settings,
    crew,
    dates,
    tasks,
    plan,
    perNight,
    mornings: morningsAfter(site, evaluation, migration, tasks, [before, ...nights]).slice(1),
  };
}
