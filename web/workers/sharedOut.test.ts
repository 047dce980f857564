import { describe, expect, it } from 'vitest';
import { sharedOut } from './sharedOut';

describe('portions that are shared out', () => {
  it('go to the same workers whenever these are alike quick', () => {
    const handOut = () => {
      const portions = sharedOut(6, 2);
      return [0, 1, 0, 1, 0, 1].map((worker) => portions.next(worker));
    };
    expect(handOut()).toEqual([0, 1, 2, 3, 4, 5]);
    expect(handOut()).toEqual(handOut());
  });
  it('of a slow worker are taken over from their end, each once', () => {
    const portions = sharedOut(7, 2);
    const slow = portions.next(0);
    const quick = [1, 1, 1, 1, 1, 1].map((worker) => portions.next(worker));
    expect(slow).toBe(0);
    expect(quick).toEqual([1, 3, 5, 6, 4, 2]);
    expect([portions.next(0), portions.next(1)]).toEqual([undefined, undefined]);
  });
});
