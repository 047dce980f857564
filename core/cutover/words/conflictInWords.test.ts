import { describe, expect, it } from 'vitest';
import { conflictInWords, type ConflictNames } from './conflictInWords';

const names: ConflictNames = {
  task: (id) => `task ${id}`,
  thing: (id) => `the ${id} recorder`,
  heldBy: () => 'a lift is there in the nights of 2026-05-12 only',
  nights: 2,
};

describe('what stands against any plan of nights', () => {
  it('names tasks and recorders as people call them', () => {
    const said = conflictInWords(
      [
        { kind: 'pinned', job: 'a' },
        { kind: 'pinned', job: 'b' },
        { kind: 'restart', of: 'hall' },
      ],
      names,
    );
    expect(said).toBe(
      'This cannot all be: task a and task b are promised for a night; the hall recorder may restart once a night. Let one of them go into another night.',
    );
  });
  it('says what holds a task to its nights', () => {
    const said = conflictInWords(
      [
        { kind: 'allowed', job: 'a' },
        { kind: 'crew', skill: null },
      ],
      names,
    );
    expect(said).toBe(
      'This cannot all be: task a has its nights (a lift is there in the nights of 2026-05-12 only); the crew does so much in a night, and there are 2 nights. Order earlier, have the lift on more nights, or allow more nights.',
    );
  });
  it('says people’s time once, whichever way it runs out', () => {
    const said = conflictInWords(
      [
        { kind: 'crew', skill: 'height' },
        { kind: 'crew', skill: null },
        { kind: 'cut', jobs: ['a', 'b', 'c'] },
      ],
      { ...names, nights: 1 },
    );
    expect(said).toBe(
      'This cannot all be: the crew does so much in a night, and there is 1 night. Allow more nights, a longer shift, or another pair of hands.',
    );
  });
  it('does not pass off as a conflict what was not found out in time', () =>
    expect(conflictInWords([], names)).toMatch(/^In the time that was given no plan was found/));
});
