import { unbelievedRuns, unweighedRuns, type Before } from '#core/evaluate';
import { openThreads, type Threads } from '../threads';
import type { Weigher } from './weigher.worker';
import weigherAddress from './weigher.worker.ts?worker&url';

/** Fewer runs than these are weighed here: threads take longer to start. */
const fewRuns = 48;

/** Runs that a thread is given at once. */
const portion = 12;

/**
 * Weighs the runs of a large site in threads: first what is believed of those that say something of others, then the tests of all. What a
 * failing thread leaves is for whoever asks for it.
 */
export async function weighInThreads(before: Before): Promise<void> {
  const unbelieved = unbelievedRuns(before);
  if (unbelieved.length < fewRuns && unweighedRuns(before).length < fewRuns) return;
  const work = async (threads: Threads<Weigher>): Promise<void> => {
    await threads.work(
      unbelieved.map(({ task }) => task),
      portion,
      (weigher, runs) => weigher.believe(runs),
      (index, belief) => unbelieved[index]!.keep(belief),
    );
    const unweighed = unweighedRuns(before);
    await threads.work(
      unweighed.map(({ task }) => task),
      portion,
      (weigher, runs) => weigher.weigh(runs),
      (index, weighed) => unweighed[index]!.keep(weighed),
    );
  };
  try {
    const threads = openThreads<Weigher>(weigherAddress, Math.ceil(before.evaluation.runs.length / portion));
    await work(threads).finally(threads.close);
  } catch {
    // Whoever asks for the round weighs what is left.
  }
}
