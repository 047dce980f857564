import type { LineEvent } from '#core/physics/reflectometer';
import type { TraceTask } from '#core/test/findings';
import { openThreads } from '../threads';
import type { TraceReader } from './traces.worker';
import readerAddress from './traces.worker.ts?worker&url';

/** Which code reads traces: its address carries a hash of it, so that another code has another one. */
export const readerCode: string = readerAddress;

/** Traces that a thread is given at once: enough that passing them costs little, few enough that all are done together. */
const portion = 16;

/** Reads traces in threads. Each is told as it comes, by its place among the tasks. Rejects where a thread fails. */
export async function readTraces(
  tasks: readonly TraceTask[],
  tell: (index: number, found: LineEvent[]) => void,
): Promise<void> {
  const threads = openThreads<TraceReader>(readerAddress, Math.ceil(tasks.length / portion));
  try {
    await threads.work(tasks, portion, (reader, some) => reader.read(some), tell);
  } finally {
    threads.close();
  }
}
