import { expect, it } from 'vitest';
import { scoreOf, type KnownRun, type SaidOfRun } from './score';

const known: KnownRun[] = [
  { run: 'a', troubles: [] },
  { run: 'b', troubles: [{ cause: 'joint', atM: 50 }] },
  { run: 'c', troubles: [{ cause: 'water', atM: 10 }] },
  {
    run: 'd',
    troubles: [
      { cause: 'tap', atM: 20 },
      { cause: 'camera', atM: null },
    ],
  },
];
const said = (
  run: string,
  ...causes: [SaidOfRun['causes'][number]['cause'], number, number?][]
): SaidOfRun => ({
  run,
  causes: causes.map(([cause, probability, atM = null]) => ({
    cause,
    probability,
    atM,
    spreadM: atM === null ? null : 0.5,
  })),
});

it('counts what was said of runs whose truth is known, by hand', () => {
  const score = scoreOf(known, [
    said('a', ['sound', 0.75], ['joint', 0.25]),
    said('b', ['sound', 0.15], ['joint', 0.85, 50.9]),
    said('c', ['sound', 0.6], ['water', 0.4, 10]),
    said('d', ['tap', 0.9, 20], ['input', 0.5], ['camera', 0.4]),
  ]);
  expect(score).toMatchObject({
    runs: 4,
    right: 2 / 3,
    faultyRight: 1 / 2,
    madeUp: 0,
    calledSound: 1 / 2,
    metreNear: 1,
    metreCovered: 0,
    oneFirst: 1,
    bothFirst: 0,
  });
  // Stated 0.75 and right, 0.85 and right, 0.6 and wrong, each in a bin of its own.
  expect(score.calibrationError).toBeCloseTo((0.25 + 0.15 + 0.6) / 3, 12);
});

it('a run of which nothing was said is wrong', () => {
  expect(scoreOf(known.slice(0, 2), []).right).toBe(0);
});
