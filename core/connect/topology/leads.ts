import type { Device, TopologyLink } from './types';

/** Both ends of each link, by the device that it ends in. */
export const endsOf = (links: readonly TopologyLink[]): string[] =>
  links.flatMap(({ fromId, toId }) => [fromId, toId]);

/**
 * How many of its ports each switch gives to other gear: a lead each, but for the one that leads on, which has a port of its own.
 * @param ends the device of each end of a lead
 */
export function leadsOf(devices: readonly Device[], ends: readonly string[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const id of ends) counts.set(id, (counts.get(id) ?? 0) + 1);
  return new Map(
    devices.flatMap(({ id, kind }) =>
      kind === 'switch' || kind === 'field-switch'
        ? [[id, Math.max(0, (counts.get(id) ?? 0) - 1)] as const]
        : [],
    ),
  );
}
