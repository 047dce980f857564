import { describe, expect, it } from 'vitest';
import { rememberedFor } from '.';

describe('an answer that is remembered for an object', () => {
  it('is worked out once for each, whatever another of the same words has', () => {
    let asked = 0;
    const answer = rememberedFor(({ n }: { n: number }) => {
      asked += 1;
      return n > 0 ? n : null;
    });
    const [one, alike, none] = [{ n: 1 }, { n: 1 }, { n: 0 }];
    expect([answer(one), answer(one), answer(alike), answer(none), answer(none)]).toEqual([
      1,
      1,
      1,
      null,
      null,
    ]);
    expect(asked).toBe(3);
  });
});
