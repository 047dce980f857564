/** Waits until what has changed is on the screen; where nobody looks at the page it is not waited for. */
export function untilPainted(): Promise<void> {
  if (document.visibilityState === 'hidden') return Promise.resolve();
  // What a frame finds out about sizes is drawn in the next.
  return new Promise((resolve) =>
    requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(resolve))),
  );
}
