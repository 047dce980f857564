import { wrap, type Remote } from 'comlink';

/** More threads than these take longer to start than they save. */
const mostThreads = 8;

/** Threads that do alike tasks beside each other. */
export interface Threads<Service> {
  /**
   * Does tasks a portion at a time. Each result is told as it comes, by its place among the tasks. Rejects where a thread fails;
   * those that were told stay told.
   */
  work: <Task, Result>(
    tasks: readonly Task[],
    portion: number,
    by: (service: Remote<Service>, some: Task[]) => Promise<Result[]>,
    tell: (index: number, result: Result) => void,
  ) => Promise<void>;
  close: () => void;
}

/** Starts as many threads as the machine has cores, and no more than there are portions of work. */
export function openThreads<Service>(address: string, portions: number): Threads<Service> {
  const count = Math.min(mostThreads, navigator.hardwareConcurrency || 2, portions);
  const threads = Array.from({ length: count }, () => {
    const worker = new Worker(address, { type: 'module' });
    const failed = new Promise<never>((_, reject) =>
      worker.addEventListener('error', ({ message }) => reject(new Error(message || 'a thread has failed'))),
    );
    // Whoever works with it is told; a failure after that is nobody's.
    failed.catch(() => undefined);
    return { worker, service: wrap<Service>(worker), failed };
  });
  return {
    work: async (tasks, portion, by, tell) => {
      let next = 0;
      const goThrough = async (service: Remote<Service>): Promise<void> => {
        for (let first = next; first < tasks.length; first = next) {
          next = first + portion;
          const results = await by(service, tasks.slice(first, next));
          results.forEach((result, offset) => tell(first + offset, result));
        }
      };
      await Promise.all(threads.map(({ service, failed }) => Promise.race([goThrough(service), failed])));
    },
    close: () => {
      for (const { worker } of threads) worker.terminate();
    },
  };
}
