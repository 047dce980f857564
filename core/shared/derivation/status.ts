import type { Limit } from './derivation';

/** How well something holds: below its limit with room, close to it, or past it. */
export type Status = 'holds' | 'close' | 'fails';

/** Share of a limit from which on something counts as close. Policy. */
export const closeUtilisation = 0.85;

export function statusOf(utilisation: number): Status {
  if (utilisation > 1) return 'fails';
  return utilisation > closeUtilisation ? 'close' : 'holds';
}

const order: Status[] = ['holds', 'close', 'fails'];

export function worst(standings: readonly Status[]): Status {
  return standings.reduce<Status>(
    (so, status) => (order.indexOf(status) > order.indexOf(so) ? status : so),
    'holds',
  );
}

/** Share of a limit that a value uses up: value/limit under a ceiling, limit/value over a floor. Never infinite. */
export function utilisationOf(value: number, limit: Limit): number {
  const bound = limit.figure.value;
  if (bound === null) return 0;
  const utilisation = limit.sense === 'at-most' ? value / bound : bound / value;
  return Number.isFinite(utilisation) ? utilisation : unboundedUtilisation;
}

/** Stands for "no amount would do", where a share would be infinite. */
export const unboundedUtilisation = 99;
