import { wrap, type Remote } from 'comlink';
import { sharedOut } from './sharedOut';

/** More threads than these take longer to start than they save. */
const mostThreads = 8;

/** Threads that do alike tasks beside each other. */
export interface Threads<Service> {
  /**
   * Does tasks a portion at a time; the same portion of further work goes to the same thread, as far as the others leave it to it. Each
   * result is told as it comes, by its place among the tasks. Rejects where a thread fails;
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
      const portions = sharedOut(Math.ceil(tasks.length / portion), threads.length);
      const goThrough = async (service: Remote<Service>, own: number): Promise<void> => {
        for (let at = portions.next(own); at !== undefined; at = portions.next(own)) {
          const first = at * portion;
          const results = await by(service, tasks.slice(first, first + portion));
          results.forEach((result, offset) => tell(first + offset, result));
        }
      };
      await Promise.all(
        threads.map(({ service, failed }, own) => Promise.race([goThrough(service, own), failed])),
      );
    },
    close: () => {
      for (const { worker } of threads) worker.terminate();
    },
  };
}
