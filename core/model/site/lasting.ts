import same from 'fast-deep-equal';
import type { Problem } from '#core/shared/problems';
import type { Change } from './change';
import type { Fact, Kind } from './site';

interface LastingRule {
  /** The one field that may change: with it a fact does not count any more. */
  field: 'struck' | 'withdrawn';
  /** What may be noted on it afterwards. */
  later?: string;
  instead: string;
  kept: string;
}

/** Facts that stay as they were noted, and what is said to whoever would change more of them. */
const lasting: Partial<Record<Kind, LastingRule>> = {
  reading: {
    field: 'struck',
    instead: 'striking it out with a reason',
    kept: 'what was read stays as it was read',
  },
  acceptanceReading: {
    field: 'struck',
    instead: 'striking it out with a reason',
    kept: 'what was read stays as it was read',
  },
  givenOffer: {
    field: 'withdrawn',
    later: 'accepted',
    instead: 'withdrawing it with a reason',
    kept: 'what was offered stays as it was offered',
  },
  acceptance: {
    field: 'withdrawn',
    instead: 'withdrawing it with a reason',
    kept: 'what was signed stays as it was signed',
  },
};

/** How a kind of fact stops to count that is only ever added to; nothing of any other kind. */
export const lastingRule = (kind: Kind): LastingRule | undefined => lasting[kind];

const without = (fact: object, { field, later }: LastingRule): Record<string, unknown> =>
  Object.fromEntries(Object.entries(fact).filter(([key]) => key !== field && key !== later));

/** A reading may be struck out, a signature withdrawn, and that may be taken back; nothing else about them ever changes. */
export function lastingProblem(
  change: Change,
  before: Fact<Kind> | undefined,
  path: string,
): Problem | undefined {
  const rule = lasting[change.kind];
  if (!rule || !before) return undefined;
  const problem = (allowed: string): Problem => ({ path, value: change.id, allowed });
  if ('remove' in change) return problem(`${rule.instead}; it is never removed`);
  return same(without(change.set, rule), without(before, rule))
    ? undefined
    : problem(`${rule.instead}; ${rule.kept}`);
}
