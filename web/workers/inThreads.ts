import { wrap, type Remote } from 'comlink';

/** More threads than these take longer to start than they save. */
const mostThreads = 8;

/**
 * Does tasks in as many threads as the machine has cores, a portion at a time. Each result is told as it comes, by its place among the
 * tasks. Rejects where a thread fails; those that were told stay told.
 */
export async function inThreads<Service, Task, Result>(
  address: string,
  tasks: readonly Task[],
  portion: number,
  work: (service: Remote<Service>, some: Task[]) => Promise<Result[]>,
  tell: (index: number, result: Result) => void,
): Promise<void> {
  const portions = Math.ceil(tasks.length / portion);
  const count = Math.min(mostThreads, navigator.hardwareConcurrency || 2, portions);
  const workers = Array.from({ length: count }, () => new Worker(address, { type: 'module' }));
  let next = 0;
  const goThrough = async (service: Remote<Service>): Promise<void> => {
    for (let first = next; first < tasks.length; first = next) {
      next = first + portion;
      const results = await work(service, tasks.slice(first, next));
      results.forEach((result, offset) => tell(first + offset, result));
    }
  };
  const failed = (worker: Worker): Promise<never> =>
    new Promise((_, reject) =>
      worker.addEventListener('error', ({ message }) => reject(new Error(message || 'a thread has failed'))),
    );
  try {
    await Promise.all(
      workers.map((worker) => Promise.race([goThrough(wrap<Service>(worker)), failed(worker)])),
    );
  } finally {
    for (const worker of workers) worker.terminate();
  }
}
