import type { Change } from './change';
import { kinds, type Fact, type Kind, type Site } from './site';

/**
 * The changes that lead from one site to another that grew out of it. Facts that were not touched are the very same
 * objects, so this looks at identity only and costs a comparison a fact.
 */
export function changesBetween(from: Site, to: Site): Change[] {
  return kinds.flatMap((kind) => {
    const [before, after]: [Readonly<Record<string, Fact<Kind>>>, Readonly<Record<string, Fact<Kind>>>] = [
      from[kind],
      to[kind],
    ];
    if (before === after) return [];
    const changes: Change[] = [];
    for (const id in after)
      if (after[id] !== before[id]) changes.push({ kind, id, set: after[id] } as Change);
    for (const id in before) if (!(id in after)) changes.push({ kind, id, remove: true } as Change);
    return changes;
  });
}

/** A site with changes that are known to fit it. Facts that they do not touch stay the same objects. */
export function withChanges(site: Site, changes: readonly Change[]): Site {
  const next: Record<Kind, Record<string, Fact<Kind>>> = { ...site };
  const copied = new Set<Kind>();
  for (const change of changes) {
    const { kind, id } = change;
    if (!copied.has(kind)) {
      next[kind] = { ...next[kind] };
      copied.add(kind);
    }
    if ('set' in change) next[kind][id] = change.set;
    else {
      const { [id]: _gone, ...rest } = next[kind];
      next[kind] = rest;
    }
  }
  return next as Site;
}
