import type { Applying, DevicePlan, Report } from '#core/allocate/device';
import type { ServerLog } from '../log/serverLog';
import { apply, type ApplyPatience } from './apply';
import type { ApplyingFolder } from './applyingFolder';
import { recorderClient } from './recorderClient';

/** A recorder of a site. */
export interface RecorderId {
  siteId: string;
  recorderId: string;
}

/** What is being done in this process, with a way to stop it. */
interface Running {
  address: string;
  stop: () => void;
}

/** Plans on their way into recorders: those that this process is at, over those that the folder keeps. */
export interface RecorderJobs {
  folder: ApplyingFolder;
  patience: ApplyPatience;
  running: Map<string, Running>;
  log: Pick<ServerLog, 'fault'>;
}

export const recorderJobs = (
  folder: ApplyingFolder,
  patience: ApplyPatience,
  log: Pick<ServerLog, 'fault'>,
): RecorderJobs => ({ folder, patience, log, running: new Map() });

const keyOf = ({ siteId, recorderId }: RecorderId): string => `${siteId}/${recorderId}`;

export const isRunning = ({ running }: RecorderJobs, of: RecorderId): boolean => running.has(keyOf(of));

/** Whether something is being done to this recorder, or to whatever else is at its address. */
export const isBusy = (jobs: RecorderJobs, of: RecorderId, address: string): boolean =>
  isRunning(jobs, of) || [...jobs.running.values()].some((other) => other.address === address);

/** What is under way or was last, told apart from what only looks as if it were because the server was ended meanwhile. */
export function currentJob(jobs: RecorderJobs, of: RecorderId): Applying | 'damaged' | null {
  const kept = jobs.folder.read(of.siteId, of.recorderId);
  if (kept === 'damaged' || kept?.state !== 'running' || isRunning(jobs, of)) return kept;
  return {
    ...kept,
    state: 'broken-off',
    why: 'Neotrope was ended in the middle. Nothing is lost: go on, or go back.',
  };
}

/** Keeps a recorder for whoever is about to begin with it. Gives back how to let it go where nothing was begun after all. */
export function reserve({ running }: RecorderJobs, of: RecorderId, address: string): () => void {
  const mine: Running = { address, stop: () => undefined };
  running.set(keyOf(of), mine);
  return () => {
    if (running.get(keyOf(of)) === mine) running.delete(keyOf(of));
  };
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

/** Begins a job, or goes on with it, and answers at once. The key is held for as long as it runs and kept nowhere. */
export function startJob(jobs: RecorderJobs, job: Applying, key: string): Applying {
  const { folder, patience, running, log } = jobs;
  const name = keyOf(job);
  let isStopped = false;
  const mine: Running = { address: job.address, stop: () => void (isStopped = true) };
  folder.write(job);
  running.set(name, mine);
  const client = recorderClient(job.address, key, patience.answerMs);
  void apply(job, client, folder, patience, () => isStopped, log)
    .catch((error: unknown) => log.fault('Bringing a recorder to its plan failed', error))
    .finally(() => {
      if (running.get(name) === mine) running.delete(name);
    });
  return job;
}

export const stopJob = ({ running }: RecorderJobs, of: RecorderId): void => running.get(keyOf(of))?.stop();
