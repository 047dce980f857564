/** Portions of a work, handed out one at a time. */
export interface SharedOut {
  /** The next one for this worker; `undefined` once all are handed out. */
  next: (worker: number) => number | undefined;
}

/** Every worker has portions of its own, in turns. Whoever is through with them takes the last of whoever has most left. */
export function sharedOut(portions: number, workers: number): SharedOut {
  const left = Array.from({ length: workers }, (): number[] => []);
  for (let portion = 0; portion < portions; portion += 1) left[portion % workers]!.push(portion);
  return {
    next: (worker) =>
      left[worker]!.shift() ?? left.reduce((most, one) => (one.length > most.length ? one : most)).pop(),
  };
}
