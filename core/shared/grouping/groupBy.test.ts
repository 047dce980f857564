import { describe, expect, it } from 'vitest';
import { groupBy } from '.';

describe('things by their key', () => {
  it('keep their order, and those without a key are left out', () => {
    const groups = groupBy([3, 8, 5, 12, 7], (n) => (n > 10 ? null : n % 2 === 0 ? 'even' : 'odd'));
    expect([...groups]).toEqual([
      ['odd', [3, 5, 7]],
      ['even', [8]],
    ]);
  });
});
