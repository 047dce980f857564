import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Change } from '../change';
import { withChanges } from '../changesBetween';
import { referenceProblems } from './referenceProblems';
import { kinds, type Kind, type Site } from '../site';
import { saltmarrowSite } from '../testSite';

const site = saltmarrowSite();
const facts = kinds.flatMap((kind) => Object.keys(site[kind]).map((id) => ({ kind, id })));

/** A fact with some of its figures and references others than they were, as a clumsy or hostile edit would have them. */
function bent(kind: Kind, id: string, chance: number, other: string): object {
  const text = JSON.stringify(site[kind][id]);
  const fact = JSON.parse(text, (key, value: unknown) => {
    if (key === 'id') return value;
    if (/Ids?$/.test(key) && typeof value === 'string') return chance % 3 === 0 ? other : value;
    if (
      ['number', 'inputs', 'input', 'output', 'slot', 'outCores'].includes(key) &&
      typeof value === 'number'
    )
      return chance % 2 === 0 ? value + (chance % 5) : value;
    return value;
  }) as object;
  return fact;
}
const drawnChange = fc
  .record({
    at: fc.nat(facts.length - 1),
    removes: fc.boolean(),
    chance: fc.nat(30),
    other: fc.constantFrom('nowhere', ...facts.map(({ id }) => id).slice(0, 80)),
  })
  .map(({ at, removes, chance, other }): Change => {
    const { kind, id } = facts[at]!;
    return (removes
      ? { kind, id, remove: true }
      : { kind, id, set: bent(kind, id, chance, other) }) as unknown as Change;
  });

/** What is wrong, whatever order it was found in; of two that clash either may be named. */
const words = (at: Site, changes?: readonly Change[]): string[] =>
  [
    ...new Set(
      referenceProblems(at, changes).map(({ path, value, allowed }) => `${path} ${value} ${allowed}`),
    ),
  ].sort();

describe('what changes can have broken', () => {
  it('is all that is broken, however they are drawn', () => {
    let broken = 0;
    fc.assert(
      fc.property(
        fc.uniqueArray(drawnChange, { maxLength: 4, selector: ({ kind, id }) => `${kind}/${id}` }),
        (changes) => {
          const after = withChanges(site, changes);
          const whole = words(after);
          if (whole.length > 0) broken += 1;
          expect(words(after, changes)).toEqual(whole);
        },
      ),
      { numRuns: 1500 },
    );
    expect(broken).toBeGreaterThan(300);
  });
});
