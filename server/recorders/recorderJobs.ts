import type { Applying, DevicePlan, Report } from '#core/allocate/device';
import type { ServerLog } from '../log/serverLog';
import { apply, type ApplyPatience } from './apply';
import type { ApplyingRecords, Hold, RecorderId } from './applyingRecords';
import { recorderClient } from './recorderClient';

/** What bringing recorders to their plans rests on. */
export interface RecorderJobs {
  records: ApplyingRecords;
  patience: ApplyPatience;
  log: Pick<ServerLog, 'fault'>;
}

/** A job that has yet to begin. */
export const newJob = (
  of: RecorderId,
  given: { address: string; by: string; startedAt: string; plan: DevicePlan; before: Report },
): Applying => ({
  ...of,
  ...given,
  goal: 'plan',
  settings: null,
  state: 'running',
  doing: '',
  done: [],
  left: [],
  why: null,
  wrong: [],
});

/** Begins a job, or goes on with it, and answers at once; the recorder is let go at its end. The key is held for as long as it runs and kept nowhere. */
export async function startJob(
  { records, patience, log }: RecorderJobs,
  hold: Hold,
  job: Applying,
  key: string,
): Promise<Applying> {
  await records.write(job);
  const client = recorderClient(job.address, key, patience.answerMs);
  void apply(job, client, records, patience, hold.isStopped, log)
    .catch((error: unknown) => log.fault('Bringing a recorder to its plan failed', error))
    .finally(() => hold.letGo())
    .catch((error: unknown) => log.fault('A recorder could not be let go', error));
  return job;
}
