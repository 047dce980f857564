import type { Task } from './task';

/** Tasks that wait for each other in a circle, in the order in which they do; none where all can be done one after the other. */
export function waitingLoop<T extends Pick<Task, 'id' | 'needs'>>(tasks: readonly T[]): T[] {
  const byId = new Map(tasks.map((task) => [task.id, task]));
  const sound = new Set<string>();
  const path: T[] = [];
  const visit = (task: T): T[] => {
    const at = path.indexOf(task);
    if (at >= 0) return path.slice(at);
    if (sound.has(task.id)) return [];
    path.push(task);
    for (const need of task.needs) {
      const next = byId.get(need);
      const loop = next ? visit(next) : [];
      if (loop.length > 0) return loop;
    }
    path.pop();
    sound.add(task.id);
    return [];
  };
  for (const task of tasks) {
    const loop = visit(task);
    if (loop.length > 0) return loop;
  }
  return [];
}
