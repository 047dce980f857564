/** So long a piece of work goes on before others get their turn. */
const turnMs = 40;

/** Does work that pauses now and then, and lets other questions be answered between. */
export async function inTurns<T>(work: Generator<void, T>): Promise<T> {
  let since = performance.now();
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    if (performance.now() - since < turnMs) continue;
    await new Promise((resolve) => setTimeout(resolve));
    since = performance.now();
  }
}
