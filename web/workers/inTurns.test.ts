import { expect, it } from 'vitest';
import { inTurns } from './inTurns';

it('comes to the same, and others get their turn between', async () => {
  const order: string[] = [];
  function* work(): Generator<void, number> {
    for (let k = 0; k < 4; k += 1) {
      const until = performance.now() + 45;
      while (performance.now() < until);
      order.push('work');
      yield;
    }
    return 7;
  }
  const answer = inTurns(work());
  setTimeout(() => order.push('other'));
  expect(await answer).toBe(7);
  expect(order.filter((one) => one === 'work')).toHaveLength(4);
  expect(order.indexOf('other')).toBeLessThan(order.lastIndexOf('work'));
});
