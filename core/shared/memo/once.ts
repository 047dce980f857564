/** A function that works its answer out the first time that it is asked. */
export function once<T>(workOut: () => T): () => T {
  let known: { answer: T } | undefined;
  return () => (known ??= { answer: workOut() }).answer;
}
