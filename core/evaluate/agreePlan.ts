import {
  agreeNights,
  allocationSettingsOf,
  camerasPerNight,
  cutoverSettingsId,
  setAllocationSettings,
  setCutover,
  type Change,
  type CutoverSettings,
  type PlannedNightFact,
  type Site,
} from '#core/model/site';
import { dayAfter } from '#core/cutover/nights';
import type { NightsFound } from './cutoverOf';
import type { NightClock } from './nightClock';

/** What was worked on in nights that were agreed: that stays on record whatever is planned for the rest. */
function worked({ plannedNight, taskTry }: Site): Omit<PlannedNightFact, 'id'>[] {
  const tried = new Set(Object.values(taskTry).map(({ night, taskId }) => `${night} ${taskId}`));
  return Object.values(plannedNight).flatMap(({ date, jobs }) => {
    const begun = jobs.filter(({ taskId }) => tried.has(`${date} ${taskId}`));
    return begun.length > 0 ? [{ date, jobs: begun }] : [];
  });
}

/**
 * The changes by which nights that were found are agreed: they take the place of all that nobody has worked in yet. The order of moves and the
 * calendar that they were found for are kept with them.
 */
export function agreePlan(
  site: Site,
  { nights, perNight }: NightsFound,
  settings: CutoverSettings,
): Change[] {
  const before = worked(site);
  const added = before.filter(({ date }) => !nights.some((night) => night.date === date));
  const both = nights.map((night) => {
    const begun = before.find(({ date }) => date === night.date);
    return begun ? { ...night, jobs: [...begun.jobs, ...night.jobs] } : night;
  });
  return [
    ...(camerasPerNight(allocationSettingsOf(site)) === perNight
      ? []
      : [setAllocationSettings(site, { asPlanned: perNight })]),
    ...(site.cutover[cutoverSettingsId] ? [] : [setCutover(settings)]),
    ...agreeNights(site, [...added, ...both]),
  ];
}

/** The first date that nights can be planned anew for: none whose shift has begun, and none that has been worked in. */
export function planFrom(
  site: Site,
  settings: CutoverSettings,
  today: string,
  { now, beginOf }: NightClock,
): string {
  const next = now >= beginOf(today, settings.shift.start) ? dayAfter(today) : today;
  const last = worked(site)
    .map(({ date }) => date)
    .sort()
    .at(-1);
  return [settings.from, next, ...(last === undefined ? [] : [dayAfter(last)])].sort().at(-1)!;
}
