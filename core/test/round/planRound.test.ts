import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planRound, type RoundTest } from './planRound';

const test = (placeId: string, minutes: number, worth: number, runId = 'r'): RoundTest => ({
  runId,
  testId: 'picture',
  at: placeId === 'hall' ? 'recorder' : 'camera',
  placeId,
  minutes,
  worth,
});

/** Every choice of tests, each place paid for once: slow, and shares nothing with the plan. */
function byTrying(tests: readonly RoundTest[], setUp: (placeId: string) => number, most: number): number {
  let best = 0;
  for (let choice = 0; choice < 2 ** tests.length; choice += 1) {
    const chosen = tests.filter((_, index) => (choice >> index) % 2 === 1);
    const places = new Set(chosen.map(({ placeId }) => placeId));
    const minutes =
      chosen.reduce((sum, { minutes: own }) => sum + Math.max(1, Math.ceil(own)), 0) +
      [...places].reduce((sum, placeId) => sum + Math.ceil(setUp(placeId)), 0);
    if (minutes <= most)
      best = Math.max(
        best,
        chosen.reduce((sum, { worth }) => sum + worth, 0),
      );
  }
  return best;
}

const anyTest = fc.record({
  placeId: fc.constantFrom('hall', 'quay', 'shed'),
  minutes: fc.double({ min: 0.5, max: 25, noNaN: true }),
  worth: fc.double({ min: 0.01, max: 1, noNaN: true }),
});
/** Nobody needs a ladder at the recorder. */
const setUps: Record<string, number> = { hall: 0, quay: 17, shed: 6 };

describe('a round', () => {
  it('tells as much as any choice of tests could in its minutes', () => {
    fc.assert(
      fc.property(fc.array(anyTest, { maxLength: 9 }), fc.integer({ min: 0, max: 70 }), (drawn, most) => {
        const tests = drawn.map((one, index) => test(one.placeId, one.minutes, one.worth, `r${index}`));
        const round = planRound(tests, (placeId) => setUps[placeId]!, most);
        expect(round.worth).toBeCloseTo(
          byTrying(tests, (placeId) => setUps[placeId]!, most),
          9,
        );
        expect(round.minutes).toBeLessThanOrEqual(most);
        const done = round.stops.flatMap((stop) => stop.tests);
        expect(done.reduce((sum, { worth }) => sum + worth, 0)).toBeCloseTo(round.worth, 9);
        expect(new Set(done).size).toBe(done.length);
      }),
    );
  });
  it('pays for a ladder once, and goes to the near places first', () => {
    const round = planRound(
      [test('quay', 5, 0.3, 'a'), test('quay', 5, 0.3, 'b'), test('hall', 5, 0.2, 'c')],
      (placeId) => setUps[placeId]!,
      40,
    );
    expect(round.stops.map(({ placeId, minutes }) => [placeId, minutes])).toEqual([
      ['hall', 5],
      ['quay', 27],
    ]);
  });
  it('is empty where there is no time', () => {
    expect(planRound([test('hall', 5, 1)], () => 0, 3)).toEqual({ stops: [], minutes: 0, worth: 0 });
  });
});
