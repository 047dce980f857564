import type { SharedPort } from '#core/decide/options';
import type { Term } from '#core/solver';
import type { PlanPick, ThingCount } from './types';

/** Ports, watts and Mb/s that options would take of the equipment of one kind at one place, as terms. */
export interface Asked {
  of: SharedPort['of'];
  placeId: string;
  ports: Term[];
  watts: Term[];
  mbps: Term[];
  /** Of the Mb/s, what goes through ports that give power. */
  fedMbps: Term[];
  /** What each asks of its own port. */
  strong: { watts: number; variable: number }[];
}
/** What the picks ask for, by kind and place; a thing that several share takes one port for all of them. */
export function askedOf(picks: readonly PlanPick[], things: readonly ThingCount[]): Asked[] {
  const groups = new Map<string, Asked>();
  const at = (of: SharedPort['of'], placeId: string): Asked => {
    const key = `${of} ${placeId}`;
    const asked = groups.get(key) ?? { of, placeId, ports: [], watts: [], mbps: [], fedMbps: [], strong: [] };
    groups.set(key, asked);
    return asked;
  };
  for (const { variable, candidate } of picks) {
    const { shared } = candidate.option;
    if (!shared) continue;
    const asked = at(shared.of, shared.placeId);
    asked.ports.push({ variable, by: 1 });
    asked.watts.push({ variable, by: shared.sourceWatts });
    asked.mbps.push({ variable, by: shared.mbps });
    if (shared.sourceWatts > 0) asked.fedMbps.push({ variable, by: shared.mbps });
    asked.strong.push({ watts: shared.sourceWatts, variable });
  }
  for (const { variable, port } of things) {
    if (!port) continue;
    const asked = at('poe-switch', port.placeId);
    asked.ports.push({ variable, by: 1 });
    asked.mbps.push(...port.sent);
  }
  return [...groups.values()];
}

/** The most that terms come to, of unknowns that are taken or not. */
export const sumOf = (terms: readonly Term[]): number => terms.reduce((sum, { by }) => sum + by, 0);
