import {
  objectionsTo,
  calmNight,
  timedNight,
  chanceOf,
  type GivenJob,
  type Objection,
} from '#core/cutover/nights';
import { nightTasks, tasksDone } from '#core/cutover/tasks';
import { agreeNights, mostNightJobs, settingTask, type Change, type Site } from '#core/model/site';
import type { SiteEvaluation } from './evaluateSite';
import { endedIn, tasksNow, type NightsNow } from './nightsNow';
import { nightRulesOf } from './nightRulesOf';

/** Where somebody wants a task, and by whom done. */
export interface WantedPlace {
  date: string;
  /** Somebody who is to do it; `null` where anybody may. */
  crewId: string | null;
}

/** The changes that put a task there, with the chance of each night then by its date, or what is against it. */
export type Moved =
  | { kind: 'moved'; changes: Change[]; chances: Record<string, number> }
  | { kind: 'refused'; objections: Objection[] };

const nameOf = (objection: Objection): string =>
  JSON.stringify({ ...objection, chance: 0, start: 0, carried: 0 });

/**
 * Puts a task into another night, or gives it to somebody, at the time of that night that is best. It is refused, with the rules, where any
 * night is against something then that it was not against before. What was put somewhere by hand stays there when the nights are planned anew.
 */
export function moveTask(
  site: Site,
  evaluation: SiteEvaluation,
  now: NightsNow,
  taskId: string,
  { date, crewId }: WantedPlace,
): Moved {
  const setting = settingTask(site, taskId, { date, ...(crewId === null ? {} : { crewIds: [crewId] }) });
  const [change] = setting;
  const wished = change && 'set' in change ? { ...site.taskSetting, [taskId]: change.set } : site.taskSetting;
  const { tasks } = tasksNow({ ...site, taskSetting: wished } as Site, evaluation, now);
  const jobs = new Map(nightTasks(tasks).map((task) => [task.id, task]));
  const job = jobs.get(taskId);
  const target = now.nights.find((night) => night.date === date);
  if (!job || !now.dates.includes(date)) return { kind: 'refused', objections: [{ kind: 'closed' }] };
  // How far it has come is not what its plan says: what still goes into it nobody can tell from that.
  if (target && target.state !== 'to-come') return { kind: 'refused', objections: [{ kind: 'begun' }] };
  const rules = nightRulesOf(site, now.settings);
  const { crew } = now;
  const asGiven = (given: readonly GivenJob[]): GivenJob[] =>
    given.flatMap(({ job: { id }, team }) => (jobs.has(id) ? [{ job: jobs.get(id)!, team }] : []));
  const placed = (given: readonly GivenJob[]): GivenJob[] => {
    const others = given.filter(({ job: { id } }) => id !== taskId);
    const calm = calmNight([...others.map((one) => one.job), job], crew, rules);
    if (calm) return calm.jobs;
    const anybody = crew.flatMap((one, index) => (crewId === null || one.id === crewId ? [index] : []));
    return [...others, { job, team: anybody.slice(0, job.people) }];
  };
  const dates = [...new Set([...now.nights.map((night) => night.date), date])].sort();
  const nights = dates.map((on) => {
    const night = now.nights.find((one) => one.date === on);
    const given = asGiven(night?.jobs ?? []);
    // Where it was tried it stays on record.
    const isTried = night?.actual[taskId] !== undefined;
    const wanted = on === date ? placed(given) : given.filter(({ job: { id } }) => id !== taskId || isTried);
    const timed = timedNight(wanted, rules);
    const ended = endedIn(night?.actual ?? {});
    return { date: on, night: now.dates.indexOf(on), jobs: timed, chance: chanceOf(timed, rules), ended };
  });
  const done = tasksDone(site);
  const before = new Set(now.nights.flatMap(({ objections }) => objections.map(nameOf)));
  const objections = objectionsTo(nights, crew, rules, done, now.limits)
    .flat()
    .filter((one) => !before.has(nameOf(one)));
  if (nights.some((night) => night.jobs.length > mostNightJobs))
    objections.push({ kind: 'full', most: mostNightJobs });
  if (objections.length > 0) return { kind: 'refused', objections };
  const facts = nights
    .filter((night) => night.jobs.length > 0)
    .map((night) => ({
      date: night.date,
      jobs: night.jobs.map((one) => ({
        taskId: one.job.id,
        crewIds: one.team.map((person) => crew[person]!.id),
      })),
    }));
  const chances = Object.fromEntries(nights.map((night) => [night.date, night.chance]));
  return { kind: 'moved', changes: [...setting, ...agreeNights(site, facts)], chances };
}
