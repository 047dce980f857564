import { expect, it } from 'vitest';
import { leastAmps } from '.';

it('is what lasts as four fifths of a rating, or the start as all of it, rounded up to a tenth', () => {
  // By hand: 6 W at 12 V are 0.5 A, four fifths of 0.625; a start of 9 W takes 0.75 A.
  expect(leastAmps(12, { voltAmps: 6 }, { voltAmps: 6 })).toBe(0.7);
  expect(leastAmps(12, { voltAmps: 6 }, { voltAmps: 9 })).toBe(0.8);
  // A heater of 18 W at 24 V is 32 Ω, and takes 19.5 VA at 25 V.
  expect(leastAmps(25, { voltAmps: 10, heaterOhms: 32 }, { voltAmps: 10 })).toBe(1.5);
});
