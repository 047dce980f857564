import type { TopologyLink } from './types';

/** Whether links join devices in more than one way somewhere: only then can a failure be gone around. */
export function loopsIn(links: readonly TopologyLink[]): TopologyLink[] {
  const parents = new Map<string, string>();
  const rootOf = (id: string): string => {
    let at = id;
    for (let up = parents.get(at); up !== undefined; up = parents.get(at)) at = up;
    return at;
  };
  return links.filter(({ fromId, toId }) => {
    const [from, to] = [rootOf(fromId), rootOf(toId)];
    if (from === to) return true;
    parents.set(from, to);
    return false;
  });
}
