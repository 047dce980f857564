import type { Task } from '#core/cutover/tasks';
import type { NightNow } from '#core/evaluate';

/** The cameras that are changed over in a night. */
export function changedIn({ jobs }: Pick<NightNow, 'jobs'>, tasks: readonly Task[]): string[] {
  const ids = new Set(jobs.map(({ job }) => job.id));
  return tasks.flatMap(({ id, kind, cameraId }) =>
    ids.has(id) && kind === 'swap' && cameraId !== null ? [cameraId] : [],
  );
}
