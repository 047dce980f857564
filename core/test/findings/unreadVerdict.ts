import { type TestId, testDefinition } from '#core/model/site';
import type { Figure, Limit } from '#core/shared/derivation';
import type { Verdict } from './verdict';

/** What is said of a test before anybody has done it. */
export interface Unread {
  id: TestId;
  message: string;
  expected?: Figure;
  limit?: Limit;
  conclusion: string;
}

/** A test that was not done yet. Where nothing of it depends on the run, one verdict serves all runs. */
export function unreadVerdict({ id, message, expected, limit, conclusion }: Unread): Verdict {
  const { label } = testDefinition(id);
  return {
    id,
    label,
    state: 'untested',
    utilisation: null,
    read: null,
    expected: expected ?? null,
    message,
    basis: 'typical',
    derivation: () => ({ title: label, steps: [], ...(limit && { limit }), conclusion }),
  };
}
