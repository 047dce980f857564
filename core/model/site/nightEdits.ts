import { removing, type Change } from './change';
import { cutoverSettingsId, type CutoverSettings } from './cutoverSettings';
import { freeId } from './freeId';
import type { PlannedNightFact } from './plannedNight';
import type { Site } from './site';
import type { TaskSetting } from './taskSetting';
import type { ViewRule } from './viewRule';

/** The change that says something else of when nights can be worked. */
export const setCutover = (settings: CutoverSettings): Change => ({
  kind: 'cutover',
  id: cutoverSettingsId,
  set: settings,
});

/** A new rule about views, under an id of its own. */
export function noteViewRule({ viewRule }: Site, rule: Omit<ViewRule, 'id'>, mark: string): Change {
  const id = freeId((taken) => viewRule[taken] !== undefined, rule.name, mark);
  return { kind: 'viewRule', id, set: { id, ...rule } };
}

/** What is said of a task, brought up to date; a setting that says nothing any more goes. A field that is given as `undefined` is taken out. */
export function settingTask(
  { taskSetting }: Pick<Site, 'taskSetting'>,
  id: string,
  fields: Partial<TaskSetting>,
): Change[] {
  const now = taskSetting[id];
  const set = Object.fromEntries(
    Object.entries({ ...now, ...fields, id }).filter(([, value]) => value !== undefined),
  ) as TaskSetting;
  if (Object.keys(set).length > 1) return [{ kind: 'taskSetting', id, set }];
  return now ? [removing('taskSetting', id)] : [];
}

/** The changes after which exactly these nights are agreed. Those that stay as they are are not touched. */
export function agreeNights(
  { plannedNight }: Pick<Site, 'plannedNight'>,
  nights: readonly Omit<PlannedNightFact, 'id'>[],
): Change[] {
  const dates = new Set(nights.map(({ date }) => date));
  return [
    ...Object.keys(plannedNight)
      .filter((id) => !dates.has(id))
      .map((id) => removing('plannedNight', id)),
    ...nights
      .filter(({ date, jobs }) => JSON.stringify(plannedNight[date]?.jobs) !== JSON.stringify(jobs))
      .map((night): Change => ({ kind: 'plannedNight', id: night.date, set: { id: night.date, ...night } })),
  ];
}

/** Everything that goes with somebody who does not work in the nights any more: what he was to do alone is in no night then. */
export function removeCrewMember(site: Site, id: string): Change[] {
  const nights = Object.values(site.plannedNight)
    .filter(({ jobs }) => jobs.some(({ crewIds }) => crewIds.includes(id)))
    .map((night): Change => {
      const jobs = night.jobs
        .map(({ taskId, crewIds }) => ({ taskId, crewIds: crewIds.filter((one) => one !== id) }))
        .filter(({ crewIds }) => crewIds.length > 0);
      return jobs.length > 0
        ? { kind: 'plannedNight', id: night.id, set: { ...night, jobs } }
        : removing('plannedNight', night.id);
    });
  const settings = Object.values(site.taskSetting)
    .filter(({ crewIds }) => crewIds?.includes(id))
    .flatMap(({ id: taskId, crewIds = [] }) => {
      const left = crewIds.filter((one) => one !== id);
      return settingTask(site, taskId, { crewIds: left.length > 0 ? left : undefined });
    });
  return [...nights, ...settings, removing('crewMember', id)];
}
