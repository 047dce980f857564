import { daysAfter, hoursInShift, type NightJob } from '#core/cutover/nights';
import type { CutoverSettings, Hours, Site } from '#core/model/site';
import type { Task } from './task';

/** When nights can be. */
export interface Calendar {
  settings: CutoverSettings;
  /** The dates that nights can begin on. */
  dates: readonly string[];
}

/** Calendar days from the first beginning until all is there that a task waits for; what is done is there. */
function daysUntil(byId: ReadonlyMap<string, Task>, done: ReadonlySet<string>) {
  const known = new Map<string, number>();
  return function until(id: string): number {
    const before = known.get(id);
    if (before !== undefined) return before;
    // Whoever waits for himself is said elsewhere; here he waits for nobody.
    known.set(id, 0);
    const needs = (byId.get(id)?.needs ?? []).flatMap((need) => byId.get(need) ?? []);
    const days = Math.max(0, ...needs.map((one) => (done.has(one.id) ? 0 : until(one.id) + one.days)));
    known.set(id, days);
    return days;
  };
}

const windowOf = (
  shift: CutoverSettings['shift'],
  hours: Hours | undefined,
  what: string,
): NightJob['window'] =>
  hours === undefined
    ? null
    : { ...hoursInShift(shift, hours), why: `${what} from ${hours.from} to ${hours.to}` };

/** What nights a task is held to by the dates of the lift and by what is ordered for it. */
function allowedNights(
  { lift }: Task,
  { liftDates, orderedOn }: CutoverSettings,
  dates: readonly string[],
  days: number,
): NightJob['allowed'] {
  const thereOn = orderedOn === undefined || days === 0 ? null : daysAfter(orderedOn, days);
  const liftOn = lift === null ? undefined : liftDates;
  if (thereOn === null && liftOn === undefined) return null;
  return {
    nights: dates.flatMap((date, night) =>
      (thereOn === null || date >= thereOn) && (liftOn === undefined || liftOn.includes(date)) ? [night] : [],
    ),
    why: [
      ...(thereOn === null ? [] : [`ordered on ${orderedOn}, what it waits for is there from ${thereOn} on`]),
      ...(liftOn === undefined ? [] : [`a lift is there in the nights of ${liftOn.join(', ')} only`]),
    ].join('; '),
  };
}

/** Tasks with the hours and the nights that they are held to: when lifts are there, when recorders may restart, when what was ordered comes. */
export function heldTo(
  tasks: readonly Task[],
  { recorder }: Pick<Site, 'recorder'>,
  { settings, dates }: Calendar,
  done: ReadonlySet<string>,
): Task[] {
  const until = daysUntil(new Map(tasks.map((task) => [task.id, task])), done);
  return tasks.map((task) => {
    const restarted = task.restarts === null ? undefined : recorder[task.restarts];
    const window =
      task.lift === null
        ? windowOf(settings.shift, restarted?.restartHours, `${restarted?.name} may restart`)
        : windowOf(settings.shift, settings.liftHours, 'a lift may be up');
    return { ...task, window, allowed: allowedNights(task, settings, dates, until(task.id)) };
  });
}
