import type { Change } from './change';
import type { Mending } from './mending';

/** The change that notes what a run was found to have. `mark` makes its id its own. */
export function noteMending(runId: string, mark: string, of: Omit<Mending, 'id' | 'runId'>): Change {
  const id = `${runId}-mending-${mark}`;
  return { kind: 'mending', id, set: { id, runId, ...of } };
}
