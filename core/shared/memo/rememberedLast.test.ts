import { describe, expect, it } from 'vitest';
import { rememberedLast } from '.';

describe('an answer that is remembered for a while', () => {
  it('is worked out anew once so many others were asked for since', () => {
    const asked: string[] = [];
    const answer = rememberedLast(2, (key: string): number | undefined => {
      asked.push(key);
      return key === 'a' ? 1 : undefined;
    });
    expect([answer('a'), answer('b'), answer('a'), answer('c')]).toEqual([1, undefined, 1, undefined]);
    expect(asked).toEqual(['a', 'b', 'c']);
    // Of the two that were kept, b was asked for the longest time ago.
    expect([answer('a'), answer('c'), answer('b')]).toEqual([1, undefined, undefined]);
    expect(asked).toEqual(['a', 'b', 'c', 'b']);
  });
});
