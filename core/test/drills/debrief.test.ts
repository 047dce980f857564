import { describe, expect, it } from 'vitest';
import { answerAfter, authoredDrills, bestPath, debriefOf, fixedOrder, replayed } from '.';

const [drill] = authoredDrills;

describe('what is told of a drill', () => {
  it('is worth for every step that read something, of either way, and points beside the best', () => {
    const mine = fixedOrder(drill!);
    const told = debriefOf(mine, answerAfter(mine));
    expect(told.worth.mine.map((one) => one !== null)).toEqual(
      mine.steps.map(({ reading }) => reading !== undefined && reading !== null),
    );
    expect(told.best).toEqual(bestPath(drill!));
    expect(told.worth.best).toHaveLength(told.best.steps.length);
    // A drill that asks for bits is brought nearer to knowing by some reading of the best way.
    expect(told.bits).toBeGreaterThan(0);
    expect(Math.max(...told.worth.best.map((one) => one?.bits ?? 0))).toBeGreaterThan(0);
  });
  it('is the same of a play that was done again from its moves', () => {
    const best = bestPath(drill!);
    const moves = best.steps.map(({ move }) => move);
    const answer = answerAfter(best);
    expect(debriefOf(replayed(drill!, moves), answer)).toEqual(debriefOf(best, answer));
  });
});
