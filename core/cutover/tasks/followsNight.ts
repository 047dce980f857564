import type { Task } from './task';

/** The last night of all that a task waits for, and of what that waits for; by id, for those alone that are in no night and wait for one. */
export function followsNight(
  tasks: readonly Pick<Task, 'id' | 'needs'>[],
  nightOf: ReadonlyMap<string, string>,
): Map<string, string> {
  const needsOf = new Map(tasks.map(({ id, needs }) => [id, needs]));
  const found = new Map<string, string>();
  for (const { id, needs } of tasks) {
    if (nightOf.has(id)) continue;
    const seen = new Set<string>();
    const left = [...needs];
    const nights: string[] = [];
    for (let need = left.pop(); need !== undefined; need = left.pop()) {
      if (seen.has(need)) continue;
      seen.add(need);
      const night = nightOf.get(need);
      if (night === undefined) left.push(...(needsOf.get(need) ?? []));
      else nights.push(night);
    }
    const last = nights.sort().at(-1);
    if (last !== undefined) found.set(id, last);
  }
  return found;
}
