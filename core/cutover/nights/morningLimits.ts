import type { Unit } from '#core/shared/units';

/** Something that carries only so much: what it carries before the nights, and what each job changes of that from its morning on. */
export interface MorningLimit {
  /** What carries it. */
  name: string;
  /** What is carried. */
  label: string;
  unit: Unit;
  most: number;
  before: number;
  /** By ids of jobs. */
  changes: Readonly<Record<string, number>>;
}

/** Sums that differ by less than this are the same: they were added up in another order. */
const slack = 1e-6;

/** What a limit carries in the morning after each night; nights by ids of their jobs. */
export function carriedAfter(
  { before, changes }: Pick<MorningLimit, 'before' | 'changes'>,
  nights: readonly (readonly string[])[],
): number[] {
  let carried = before;
  return nights.map((jobs) => (carried += jobs.reduce((sum, id) => sum + (changes[id] ?? 0), 0)));
}

export const isTooMuch = (carried: number, { most }: Pick<MorningLimit, 'most'>): boolean =>
  carried > most + slack;

/** Whether nothing carries more than it can in any morning. */
export const areMorningsHeld = (
  limits: readonly MorningLimit[],
  nights: readonly (readonly { id: string }[])[],
): boolean =>
  limits.every((limit) =>
    carriedAfter(
      limit,
      nights.map((jobs) => jobs.map(({ id }) => id)),
    ).every((carried) => !isTooMuch(carried, limit)),
  );
