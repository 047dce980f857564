import { wrap, type Remote } from 'comlink';
import type { LineEvent } from '#core/physics/reflectometer';
import type { TraceTask } from '#core/test/findings';
import type { TraceReader } from './traces.worker';
import readerAddress from './traces.worker.ts?worker&url';

/** Which code reads traces: its address carries a hash of it, so that another code has another one. */
export const readerCode: string = readerAddress;

/** Traces that a thread is given at once: enough that passing them costs little, few enough that all are done together. */
const portion = 16;

/** More threads than these take longer to start than they save. */
const mostThreads = 8;

/**
 * Reads traces in as many threads as the machine has cores. Each is told as it comes, by its place among the tasks.
 * Rejects where a thread fails; those that were told stay told.
 */
export async function readTraces(
  tasks: readonly TraceTask[],
  tell: (index: number, found: LineEvent[]) => void,
): Promise<void> {
  const portions = Math.ceil(tasks.length / portion);
  const count = Math.min(mostThreads, navigator.hardwareConcurrency || 2, portions);
  const workers = Array.from({ length: count }, () => new Worker(readerAddress, { type: 'module' }));
  let next = 0;
  const goThrough = async (reader: Remote<TraceReader>): Promise<void> => {
    for (let first = next; first < tasks.length; first = next) {
      next = first + portion;
      const found = await reader.read(tasks.slice(first, next));
      found.forEach((events, offset) => tell(first + offset, events));
    }
  };
  const failed = (worker: Worker): Promise<never> =>
    new Promise((_, reject) =>
      worker.addEventListener('error', ({ message }) => reject(new Error(message || 'a thread has failed'))),
    );
  try {
    await Promise.all(
      workers.map((worker) => Promise.race([goThrough(wrap<TraceReader>(worker)), failed(worker)])),
    );
  } finally {
    for (const worker of workers) worker.terminate();
  }
}
