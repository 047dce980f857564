import type { Limit } from './working';

/** How well something holds: below its limit with room, close to it, or past it. */
export type Standing = 'holds' | 'close' | 'fails';

/** Share of a limit from which on something counts as close. Policy. */
export const closeShare = 0.85;

export function standingOf(share: number): Standing {
  if (share > 1) return 'fails';
  return share > closeShare ? 'close' : 'holds';
}

const order: Standing[] = ['holds', 'close', 'fails'];

export function worst(standings: readonly Standing[]): Standing {
  return standings.reduce<Standing>(
    (so, standing) => (order.indexOf(standing) > order.indexOf(so) ? standing : so),
    'holds',
  );
}

/** Share of a limit that a value uses up: value/limit under a ceiling, limit/value over a floor. Never infinite. */
export function shareOf(value: number, limit: Limit): number {
  const bound = limit.figure.value;
  if (bound === null) return 0;
  const share = limit.sense === 'at-most' ? value / bound : bound / value;
  return Number.isFinite(share) ? share : neverEnough;
}

/** Stands for "no amount would do", where a share would be infinite. */
export const neverEnough = 99;
