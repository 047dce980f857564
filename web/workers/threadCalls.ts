import { wrap, type Remote } from 'comlink';

/**
 * The calls of a thread. They fail where the thread does: one whose program could not be fetched would never answer. It is begun anew by the
 * next call. `failed` hears of it once a thread.
 */
export function threadCalls<T>(begin: () => Worker, failed: () => void = () => undefined): Remote<T> {
  let thread: { calls: Remote<T>; end: Promise<never> } | undefined;
  const started = () => {
    if (thread) return thread;
    const worker = begin();
    const end = new Promise<never>((_, reject) =>
      worker.addEventListener('error', ({ message }) => {
        thread = undefined;
        worker.terminate();
        failed();
        reject(new Error(message || 'a thread has failed'));
      }),
    );
    // Whoever called hears of it by his call; nobody may have.
    end.catch(() => undefined);
    return (thread = { calls: wrap<T>(worker), end });
  };
  return new Proxy({} as Remote<T> & object, {
    get: (_, name: string) => {
      // A promise is asked for this before it is waited for; a thread is none.
      if (name === 'then') return undefined;
      const { calls, end } = started();
      const call = calls[name as keyof Remote<T>] as (...given: unknown[]) => Promise<unknown>;
      return (...given: unknown[]) => Promise.race([call(...given), end]);
    },
  });
}
