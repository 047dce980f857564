import { describe, expect, it } from 'vitest';
import { remembered } from '.';

describe('a remembered answer', () => {
  it('is worked out once for each key, an undefined one too', () => {
    const asked: string[] = [];
    const answer = remembered((key: string): number | undefined => {
      asked.push(key);
      return key === 'a' ? 1 : undefined;
    });
    expect([answer('a'), answer('b'), answer('a'), answer('b')]).toEqual([1, undefined, 1, undefined]);
    expect(asked).toEqual(['a', 'b']);
  });
});
