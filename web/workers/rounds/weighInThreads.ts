import type { Unweighed } from '#core/evaluate';
import type { RunToWeigh, WeighedTest } from '#core/test/round';
import { inThreads } from '../inThreads';
import type { Weigher } from './weigher.worker';
import weigherAddress from './weigher.worker.ts?worker&url';

/** Fewer runs than these are weighed here: threads take longer to start. */
const fewRuns = 48;

/** Runs that a thread is given at once. */
const portion = 12;

/** Weighs many runs in threads, and leaves a few, or those that a failing thread left, to whoever asks for them. */
export async function weighInThreads(unweighed: readonly Unweighed[]): Promise<void> {
  if (unweighed.length < fewRuns) return;
  await inThreads<Weigher, RunToWeigh, WeighedTest[]>(
    weigherAddress,
    unweighed.map(({ task }) => task),
    portion,
    (weigher, runs) => weigher.weigh(runs),
    (index, weighed) => unweighed[index]!.keep(weighed),
  ).catch(() => undefined);
}
