import { describe, expect, it } from 'vitest';
import { troubles } from './causes';
import { bitOf, has, isPair, placeOf, setOf, setsOf, story, troublesIn, widened } from './troubleSets';

describe('sets of troubles', () => {
  it('are none, each one and each two, every one once, and what is not listed by itself', () => {
    const sets = setsOf(troubles);
    const listed = troubles.length - 1;
    expect(sets).toHaveLength(1 + listed + (listed * (listed - 1)) / 2 + 1);
    expect(new Set(sets).size).toBe(sets.length);
    expect(sets.filter((set) => has(set, 'unlisted'))).toEqual([bitOf('unlisted')]);
  });
  it('know their first trouble, and whether they are a pair', () => {
    expect(
      setsOf(troubles)
        .filter(isPair)
        .every((set) => troublesIn(set).length === 2),
    ).toBe(true);
    expect([0, bitOf('joint'), setOf('joint', 'tap', 'water')].some(isPair)).toBe(false);
    for (const set of setsOf(troubles).slice(1)) expect(troubles[placeOf(set)]).toBe(troublesIn(set)[0]);
  });
  it('widen by one trouble that they do not have', () => {
    const known = setOf('joint', 'water', 'tap', 'echo', 'unlisted');
    const wider = widened([setOf('joint', 'water'), setOf('joint', 'tap')], known);
    expect(wider).toHaveLength(3);
    expect(wider.map(troublesIn)).toEqual(
      expect.arrayContaining([
        ['joint', 'tap', 'water'],
        ['joint', 'echo', 'water'],
        ['joint', 'echo', 'tap'],
      ]),
    );
  });
});

describe('a story', () => {
  it('is worked out once for all sets that differ in what it does not depend on', () => {
    let count = 0;
    const { tells } = story(['joint', 'water'], (set) => {
      count += 1;
      return has(set, 'joint') ? -1 : -5;
    });
    expect([
      tells(setOf('joint')),
      tells(setOf('joint', 'camera')),
      tells(setOf('camera')),
      tells(0),
    ]).toEqual([-1, -1, -5, -5]);
    expect(count).toBe(2);
  });
});
