import { daysAfter } from '#core/cutover/nights';
import type { Task } from './task';

/**
 * The last date that a task can begin on, so that what waits for it can be in its night; by id, and only for those that something in a night
 * waits for. `nightOf` has the dates of the nights.
 */
export function startBy(
  tasks: readonly Pick<Task, 'id' | 'needs' | 'days'>[],
  nightOf: ReadonlyMap<string, string>,
): Map<string, string> {
  const waiting = new Map<string, string[]>();
  for (const { id, needs } of tasks)
    for (const need of needs) waiting.set(need, [...(waiting.get(need) ?? []), id]);
  const daysOf = new Map(tasks.map(({ id, days }) => [id, days]));
  const found = new Map<string, string>();
  const open = new Set<string>();
  const by = (id: string): string | null => {
    const night = nightOf.get(id);
    if (night !== undefined) return night;
    const known = found.get(id);
    // Who waits for himself has no date by which he could begin.
    if (known !== undefined || open.has(id)) return known ?? null;
    open.add(id);
    const [first] = (waiting.get(id) ?? []).flatMap((one) => by(one) ?? []).sort();
    open.delete(id);
    if (first === undefined) return null;
    const date = daysAfter(first, -(daysOf.get(id) ?? 0));
    found.set(id, date);
    return date;
  };
  for (const { id } of tasks) by(id);
  return found;
}
