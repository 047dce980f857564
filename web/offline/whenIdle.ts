/** Does something once the page has nothing better to do. */
export function whenIdle(task: () => void): void {
  if ('requestIdleCallback' in window) window.requestIdleCallback(task, { timeout: 10_000 });
  else setTimeout(task, 1000);
}
