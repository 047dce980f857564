import type { Task } from './task';
import { taskKind } from './taskKinds';

/** What has to be there before a night that some tasks of it wait for, one through another, and that nobody has ticked: in the order of the tasks. */
export function openBefore(
  ids: readonly string[],
  tasks: readonly Pick<Task, 'id' | 'kind' | 'needs' | 'excluded'>[],
  done: ReadonlySet<string>,
): string[] {
  const byId = new Map(tasks.map((task) => [task.id, task]));
  const open = new Set<string>();
  const seen = new Set<string>();
  const look = (id: string): void => {
    if (seen.has(id)) return;
    seen.add(id);
    for (const need of byId.get(id)?.needs ?? []) {
      const task = byId.get(need);
      if (!task || taskKind(task.kind).when !== 'before' || done.has(need) || task.excluded !== null)
        continue;
      open.add(need);
      look(need);
    }
  };
  ids.forEach(look);
  return tasks.flatMap(({ id }) => (open.has(id) ? [id] : []));
}
