import type { Run } from '#core/model/site';

/**
 * Keeps what was worked out last for each run, for as long as all that it was worked out from is the same: a diagnosis asks again and
 * again with one reading changed, and most of its parts do not read that one.
 */
export function keptLast<T>(): (run: Run, from: readonly unknown[], make: () => T) => T {
  const kept = new WeakMap<Run, { from: readonly unknown[]; value: T }>();
  return (run, from, make) => {
    const last = kept.get(run);
    if (last && last.from.every((part, index) => part === from[index])) return last.value;
    const value = make();
    kept.set(run, { from, value });
    return value;
  };
}
