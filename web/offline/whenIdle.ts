/** How much is being done that somebody waits for, and what is held back until it is over. */
let urgent = 0;
let held: (() => void)[] = [];

/** Does something once the page has nothing better to do. */
export function whenPageIsIdle(task: () => void): void {
  if ('requestIdleCallback' in window) window.requestIdleCallback(task, { timeout: 10_000 });
  else setTimeout(task, 1000);
}

/** The same, but not while somebody waits for work that is done in another thread meanwhile. */
export function whenIdle(task: () => void): void {
  whenPageIsIdle(() => {
    if (urgent > 0) held.push(() => whenIdle(task));
    else task();
  });
}

/** Work that somebody waits for: a page that only waits for a thread is idle too, and what it fetched would take the time of that. */
export async function beforeIdle<T>(work: Promise<T>): Promise<T> {
  urgent += 1;
  try {
    return await work;
  } finally {
    urgent -= 1;
    if (urgent === 0) {
      const ready = held;
      held = [];
      for (const start of ready) start();
    }
  }
}
