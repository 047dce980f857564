import type { DrillResult } from '#core/test/drills';

/** A drill as it ended for somebody. */
export const drillResult = (by: string, drill: string, over: Partial<DrillResult> = {}): DrillResult => ({
  drill,
  title: 'The gate camera drops out at night',
  level: 1,
  by,
  at: '2026-03-12T09:00:00Z',
  total: 82,
  parts: { cause: 30, metre: 12, minutes: 15, moves: 10, money: 10, record: 5 },
  minutes: 24,
  hints: 0,
  unsafe: false,
  said: [{ chance: 0.8, was: true }],
  ...over,
});
