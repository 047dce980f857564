import type { ChildProcesses } from '../evaluation/childProcesses';
import type { Order } from '../evaluation/work';
import { openQueue, packedUp, queues, unpacked, type Parcel } from './workQueue';

/** How often whoever has nothing to do looks for something. */
const pollingIntervalSeconds = 0.5;

/**
 * Does what servers hand on: so many plans at once, and one other thing. Each is done by a process of its own.
 * @returns how to stop; what is under way is broken off
 */
export async function startWorker(
  url: string,
  plansAtOnce: number,
  processes: ChildProcesses,
  fault: (error: Error) => void,
): Promise<() => Promise<void>> {
  const boss = await openQueue(url, 'to-do', fault);
  const places = { plan: plansAtOnce, moment: 1 };
  for (const queue of queues)
    for (let place = 0; place < places[queue]; place += 1)
      await boss.work<Parcel>(queue, { pollingIntervalSeconds, batchSize: 1 }, async ([job]) =>
        packedUp(await processes.run(unpacked<Order>(job!.data))),
      );
  return async () => {
    processes.end();
    await boss.stop({ graceful: true, timeout: 5000 });
  };
}
