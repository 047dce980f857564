import { lastTries, type Site, type TaskTry } from '#core/model/site';

/** How far a task is. One that was put back is open again. */
export type TaskProgress =
  | { kind: 'open'; putBack: TaskTry | null }
  | { kind: 'under-way'; now: TaskTry }
  | { kind: 'done'; last: TaskTry };

/** How far a task is, by the last time that it was tried. */
export function progressOfTask(last: TaskTry | undefined): TaskProgress {
  if (!last) return { kind: 'open', putBack: null };
  if (!last.ended) return { kind: 'under-way', now: last };
  return last.ended.how === 'done' ? { kind: 'done', last } : { kind: 'open', putBack: last };
}

/** Ids of the tasks that are done and hold. */
export const tasksDone = (site: Pick<Site, 'taskTry'>): Set<string> =>
  new Set([...lastTries(site)].flatMap(([id, last]) => (last.ended?.how === 'done' ? [id] : [])));
