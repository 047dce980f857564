import type { Kind } from '../site';

/** Points at a field of a fact: `run/r08/cameraId`. */
export const at = (kind: Kind, id: string, field: string): string => `${kind}/${id}/${field}`;

/** Gathers what does not fit. */
export interface Found {
  add(path: string, value: unknown, allowed: string): void;
  /** Notes an id that leads nowhere. */
  known(kind: Kind, id: string, path: string): void;
}

/** Says of two facts that claim the same thing which is the later one. */
export function unique<T>(
  facts: readonly T[],
  key: (fact: T) => string | undefined,
  clash: (fact: T, first: T) => void,
): void {
  const seen = new Map<string, T>();
  for (const fact of facts) {
    const claimed = key(fact);
    if (claimed === undefined) continue;
    const first = seen.get(claimed);
    if (first) clash(fact, first);
    else seen.set(claimed, fact);
  }
}
