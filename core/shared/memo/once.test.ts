import { expect, it } from 'vitest';
import { once } from '.';

it('is worked out when it is first asked for, and not again, whatever came of it', () => {
  let asked = 0;
  const answer = once(() => {
    asked += 1;
    return undefined;
  });
  expect(asked).toBe(0);
  expect([answer(), answer()]).toEqual([undefined, undefined]);
  expect(asked).toBe(1);
});
