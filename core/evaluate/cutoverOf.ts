import type { Highs } from 'highs';
import { morningsOf, type Morning } from '#core/cutover/mornings';
import { datesOf, planNights, shiftMinutes, type NightRules, type NightsPlan } from '#core/cutover/nights';
import { nightTasks, stepTaskOf, tasksOf, type Task } from '#core/cutover/tasks';
import { allocationSettingsOf, type CrewMember, type CutoverSettings, type Site } from '#core/model/site';
import { evaluateSite } from './evaluateSite';
import { migrationOfSite, moversOf, type SiteMigration } from './slotAllocation';

/** Minutes at the end of a shift for whatever was taken back. */
const reserveMinutes = 30;
/** How long is searched where nobody says. */
const usualSeconds = 60;

/** The nights of a change, or why there are none. */
export type CutoverPlan =
  | Extract<NightsPlan, { kind: 'planned' | 'impossible' }>
  | { kind: 'conflict'; demands: string[]; message: string }
  | { kind: 'nothing' };

export interface Cutover {
  settings: CutoverSettings;
  crew: CrewMember[];
  dates: string[];
  /** Everything that is done, in the nights and beside them. */
  tasks: Task[];
  plan: CutoverPlan;
  /** What is so after each of the nights. */
  mornings: Morning[];
}

const rulesOf = (site: Site, settings: CutoverSettings): NightRules => ({
  shiftMinutes: shiftMinutes(settings.shift),
  sureChance: settings.surePercent / 100,
  walkMinutes: settings.walkMinutes,
  mostDark: Object.values(site.viewRule).map(({ name, cameraIds, mostDark }) => ({
    name,
    views: cameraIds,
    most: mostDark,
  })),
  reserveMinutes,
});

/** What stands against any plan, in words, with the cheapest way out. */
function conflictWords(demands: readonly string[], nights: number): string {
  const pinned = demands.filter((demand) => demand.startsWith('pinned ')).map((demand) => demand.slice(7));
  const restarts = demands.filter((demand) => demand.startsWith('restart '));
  const said = [
    ...(pinned.length > 0
      ? [`${pinned.join(', ')} ${pinned.length > 1 ? 'are' : 'is'} promised for its night`]
      : []),
    ...(restarts.length > 0 ? ['a recorder restarts once a night at most'] : []),
    ...(demands.some(
      (demand) => demand === 'work' || demand.startsWith('skill ') || demand.startsWith('cut '),
    )
      ? [`the crew does so much in a night, and there are ${nights} nights`]
      : []),
  ];
  if (said.length === 0) return 'In the time that was given no plan was found. Give it longer.';
  const wayOut =
    pinned.length > 0
      ? 'Let one of them go into another night.'
      : 'Allow more nights, a longer shift, or another pair of hands.';
  return `This cannot all be: ${said.join('; ')}. ${wayOut}`;
}

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

function planOf(
  highs: Highs,
  site: Site,
  settings: CutoverSettings,
  dates: readonly string[],
  tasks: readonly Task[],
  secondsLeft: () => number,
): CutoverPlan {
  const jobs = nightTasks(tasks);
  if (jobs.length === 0) return { kind: 'nothing' };
  const lost = withoutNight(site, jobs, dates);
  if (lost.length > 0) return { kind: 'impossible', jobs: lost };
  if (dates.length === 0)
    return {
      kind: 'conflict',
      demands: ['dates'],
      message:
        'No night can begin: every working day is one on which nothing may be touched. Take out a date.',
    };
  const asked = {
    jobs,
    crew: Object.values(site.crewMember),
    rules: rulesOf(site, settings),
    nights: dates.length,
  };
  const plan = planNights(highs, asked, secondsLeft);
  return plan.kind === 'conflict' ? { ...plan, message: conflictWords(plan.demands, dates.length) } : plan;
}

/** The tasks of a change in one order of moves, and the nights that they fill. */
interface Attempt {
  migration: SiteMigration;
  tasks: Task[];
  plan: CutoverPlan;
}

/** The order of moves with so many cameras in a night: fewer in one mean more restarts of a recorder, each with less to do in its night. */
const withPerNight = (site: Site, perNight: number): Site => {
  const settings = allocationSettingsOf(site);
  return { ...site, allocationSettings: { [settings.id]: { ...settings, perNight } } };
};

/**
 * Plans the nights in which what was decided for a site is done. Cameras whose inputs turn under them are changed in the night of the turn;
 * where that is more than a night holds, fewer are turned at once, until it fits. The proof is of the nights for that order of moves.
 */
export function cutoverOf(
  highs: Highs,
  site: Site,
  settings: CutoverSettings,
  secondsLeft: () => number = () => usualSeconds,
): Cutover {
  const { runs, allocation, total } = evaluateSite(site);
  const dates = datesOf(settings);
  const attempt = (perNight: number): Attempt => {
    const migration = migrationOfSite(withPerNight(site, perNight), allocation);
    const tasks = tasksOf({ site, runs, migration, shared: total.shared, dates });
    return { migration, tasks, plan: planOf(highs, site, settings, dates, tasks, secondsLeft) };
  };
  let { perNight } = allocationSettingsOf(site);
  let best = attempt(perNight);
  while (best.plan.kind === 'conflict' && perNight > 1) best = attempt((perNight -= 1));
  const { migration, tasks, plan } = best;
  const known = new Set(tasks.map(({ id }) => id));
  const nights = plan.kind === 'planned' ? plan.nights.map(({ jobs }) => jobs.map(({ job }) => job.id)) : [];
  return {
    settings,
    crew: Object.values(site.crewMember),
    dates,
    tasks,
    plan,
    mornings: morningsOf({
      recorders: Object.values(site.recorder),
      movers: moversOf(site, allocation),
      migration,
      taskOf: (step, night) => {
        const id = stepTaskOf(step, night);
        return known.has(id) ? id : null;
      },
      nights,
    }),
  };
}
