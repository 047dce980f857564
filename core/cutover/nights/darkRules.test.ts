import { expect, it } from 'vitest';
import { darkBands, earliestByRules, type Timed } from './darkRules';
import { jobOf } from './testJob';

const lanes = { name: 'Lanes', views: ['c06', 'c07', 'c08'], most: 1, exceptRestarts: false };
const at = (job: Timed['job'], start: number, minutes: number): Timed => ({
  job,
  start,
  end: start + minutes,
});
const job = (id: string, over = {}) => jobOf(id, { dark: [{ view: id, minutes: 30 }], ...over });

it('a job waits until what its rule does not let be dark with it is over', () => {
  const placed = [at(job('c06'), 0, 60)];
  const asked = { job: job('c07'), minutes: 60, jobs: [] };
  expect(earliestByRules(asked, 10, placed, [lanes])).toBe(60);
  expect(earliestByRules(asked, 10, placed, [{ ...lanes, most: 2 }])).toBe(10);
  expect(earliestByRules({ ...asked, job: job('c01') }, 10, placed, [lanes])).toBe(10);
});

it('a view whose input was turned under it waits in the dark, and counts until it is changed', () => {
  const turn = jobOf('turn', { dark: [{ view: 'c06', minutes: 4 }], restarts: 'hall' });
  const swap = job('c06', { sameNight: 'turn' });
  const placed = [at(turn, 0, 20)];
  const other = { job: job('c07'), minutes: 60, jobs: [turn, swap] };
  // Nothing says yet when it is changed: until then the other has no place.
  expect(earliestByRules(other, 30, placed, [lanes])).toBeNull();
  expect(earliestByRules(other, 30, [...placed, at(swap, 25, 60)], [lanes])).toBe(85);
});

it('the minutes of a restart count, unless the rule leaves them out', () => {
  const turn = jobOf('turn', {
    dark: [
      { view: 'c06', minutes: 4 },
      { view: 'c07', minutes: 4 },
    ],
    restarts: 'hall',
  });
  const asked = { job: turn, minutes: 20, jobs: [turn] };
  expect(earliestByRules(asked, 0, [], [lanes])).toBeNull();
  expect(earliestByRules(asked, 0, [], [{ ...lanes, exceptRestarts: true }])).toBe(0);
});

it('dark times lie in the middle of their job, and run from a turn to the change', () => {
  const turn = jobOf('turn', {
    dark: [
      { view: 'c06', minutes: 4 },
      { view: 'c01', minutes: 4 },
    ],
  });
  const swap = job('c06', { sameNight: 'turn' });
  expect(darkBands([at(turn, 0, 24), at(swap, 60, 90)])).toEqual(
    [
      // From the turn on, through its own change until the middle 30 of 90 minutes are over.
      { view: 'c06', start: 0, end: 120 },
      { view: 'c01', start: 10, end: 14 },
    ].sort((a, b) => a.start - b.start),
  );
});
