import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { causes, type Cause } from '#core/test/diagnosis';
import {
  answerAfter,
  answerProblems,
  authoredDrills,
  bestPath,
  causesOf,
  checkDrill,
  drillCode,
  evenChances,
  foundWords,
  generateDrill,
  joinedResults,
  levelReached,
  newPlay,
  othersAt,
  played,
  progressOf,
  readDrillCode,
  reliability,
  replayed,
  resultOf,
  resultsCsv,
  resultsMissing,
  scoreOf,
  testsAtHand,
  trueWords,
  withChance,
  worthOfSteps,
  type Answer,
  type DrillMove,
  type DrillResult,
} from '.';
import { comesTo, decisions, lostBy } from './decisions';
import { causeScore, metreScore } from './score';

const drillOf = (id: string) => authoredDrills.find((one) => one.id === id)!;

describe('drills that were written', () => {
  it('are fourteen at least, sound, and each of an id of its own', () => {
    expect(authoredDrills.length).toBeGreaterThanOrEqual(14);
    expect(new Set(authoredDrills.map(({ id }) => id)).size).toBe(authoredDrills.length);
    for (const drill of authoredDrills) expect(checkDrill(drill)).toMatchObject({ kind: 'sound' });
  });
  it.each(authoredDrills.map(({ id }) => id))(
    '%s can be found out within its shift, and the program does well',
    (id) => {
      const best = bestPath(drillOf(id));
      expect(best.ended).toBeNull();
      expect(best.minutes).toBeLessThanOrEqual(best.drill.minutes);
      expect(scoreOf(best, answerAfter(best), best).total).toBeGreaterThanOrEqual(70);
    },
    60_000,
  );
});

describe('a drill that is drawn', () => {
  it('is the same for the same code, and another for another', () => {
    expect(generateDrill(2, 'K7QF')).toEqual(generateDrill(2, 'K7QF'));
    expect(generateDrill(2, 'K7QF')).not.toEqual(generateDrill(2, 'K7QG'));
    expect(readDrillCode(` ${drillCode(3, 'AB12').toLowerCase()} `)).toEqual({ level: 3, seed: 'AB12' });
    for (const text of ['', '7-ABCD', '2-', '2-a b', 'K7QF', '2-TOOLONGONE'])
      expect(readDrillCode(text), text).toBeNull();
  });
  it('fits its own ground at every level', () => {
    for (const level of [1, 2, 3, 4, 5] as const)
      for (let k = 0; k < 6; k += 1)
        expect(checkDrill(generateDrill(level, `T${k}Z`))).toMatchObject({ kind: 'sound' });
  }, 120_000);
  it('is played best by bits per minute: 85 and more on average', () => {
    const totals = ([1, 2, 3, 4, 5] as const).flatMap((level) =>
      ['A1A', 'B2B', 'C3C'].map((seed) => {
        const best = bestPath(generateDrill(level, seed));
        return scoreOf(best, answerAfter(best), best).total;
      }),
    );
    expect(totals.reduce((sum, one) => sum + one, 0) / totals.length).toBeGreaterThanOrEqual(85);
  }, 120_000);
});

describe('playing', () => {
  const safely: DrillMove[] = [
    { kind: 'test', test: 'picture', meterProved: false },
    { kind: 'state', to: 'isolated' },
    { kind: 'test', test: 'foreign-ac-volts', meterProved: true },
    { kind: 'test', test: 'coax-loop-ohms', meterProved: true },
  ];
  it('spends minutes, and reads the same whenever it is played again', () => {
    const play = replayed(drillOf('joint-or-length'), safely);
    expect(play.ended).toBeNull();
    // Picture 2; isolating 3; volts 1; loop 3 with 210 m of walking at 50 m a minute and 4 for the ladder.
    expect(play.steps.map(({ minutes }) => minutes)).toEqual([2, 3, 1, 3 + 210 / 50 + 4]);
    expect(replayed(drillOf('joint-or-length'), safely)).toEqual(play);
    expect(foundWords(play, play.steps[0]!.reading!)).toBe('sparkles');
  });
  it('ends at what is not safe, with the reason and the rule', () => {
    const live = played(newPlay(drillOf('only-at-night')), {
      kind: 'test',
      test: 'coax-loop-ohms',
      meterProved: true,
    });
    expect(live.ended).toMatchObject({ kind: 'unsafe', why: expect.stringContaining('needs run isolated') });
    const unproved = replayed(drillOf('only-at-night'), [
      { kind: 'state', to: 'isolated' },
      { kind: 'test', test: 'foreign-ac-volts', meterProved: false },
      { kind: 'test', test: 'coax-loop-ohms', meterProved: false },
    ]);
    expect(unproved.ended).toMatchObject({ kind: 'unsafe', why: expect.stringContaining('prove the meter') });
    expect(played(live, { kind: 'hint' })).toBe(live);
    const score = scoreOf(
      live,
      { chances: { 'power-joint': 1 }, metre: null, decisions: [], note: '' },
      live,
    );
    expect(score.total).toBe(0);
  });
  it('ends when the shift is over', () => {
    const drill = { ...drillOf('nothing-wrong'), minutes: 15 };
    const again: DrillMove = { kind: 'test', test: 'camera-at-head-end', meterProved: true };
    expect(replayed(drill, [again, again]).ended).toMatchObject({ kind: 'time' });
  });
  it('offers what says anything of the line', () => {
    expect(testsAtHand(newPlay(drillOf('split-pair')))).toContain('wire-map');
    expect(testsAtHand(newPlay(drillOf('hidden-tap')))).not.toContain('wire-map');
    expect(causesOf(drillOf('shared-adapter'))).not.toContain('power-joint');
  });
});

describe('the score', () => {
  it('of a cause is a proper one: nobody gains by saying what he does not believe', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.06, max: 0.94, noNaN: true }),
        fc.double({ min: 0.06, max: 0.94, noNaN: true }),
        (p, q) => {
          const expected = (said: number): number =>
            p * causeScore({ joint: said, tap: 1 - said }, ['joint']) +
            (1 - p) * causeScore({ joint: said, tap: 1 - said }, ['tap']);
          expect(expected(p)).toBeGreaterThanOrEqual(expected(q) - 1e-9);
        },
      ),
    );
  });
  it('is as it comes to by hand', () => {
    expect(causeScore({ sound: 1 }, [])).toBe(1);
    expect(causeScore({ joint: 0.5 }, ['joint'])).toBeCloseTo(1 - Math.log(2) / Math.log(20), 10);
    expect(causeScore({ joint: 0.04 }, ['joint'])).toBe(0);
    // Two troubles: half and half is all that can be said.
    expect(causeScore({ joint: 0.5, 'power-joint': 0.5 }, ['joint', 'power-joint'])).toBe(1);
    expect(metreScore({ atM: 96, spreadM: 2 }, 96, 100)).toBe(1);
    // One spread off, at the surest spread: half a nat of four.
    expect(metreScore({ atM: 98, spreadM: 2 }, 96, 100)).toBeCloseTo(1 - 0.5 / 4, 10);
    expect(metreScore(null, undefined, 100)).toBe(1);
    expect(metreScore(null, 96, 100)).toBe(0);
  });
  it('counts money against the best that could be decided', () => {
    expect(lostBy(['joint'], ['joint'], 100)).toBe(0);
    // The wrong work, another visit, and the right work after it.
    expect(comesTo(['camera'], ['joint'], 100)).toBe(260 + 180 + 90);
    expect(lostBy(['leave'], [], 100)).toBe(0);
    for (const trouble of causes.filter((one) => one !== 'sound' && one !== 'coax-loss'))
      expect(decisions.some(({ cures }) => (cures as readonly Cause[]).includes(trouble))).toBe(true);
  });
  it('takes chances that come to one, and a metre that is on the line', () => {
    const answer: Answer = {
      chances: { joint: 0.6 },
      metre: { atM: 500, spreadM: 0 },
      decisions: [],
      note: '',
    };
    expect(answerProblems(answer, 100)).toHaveLength(4);
    expect(
      answerProblems({ ...answer, chances: { joint: 1 }, metre: null, decisions: ['joint'] }, 100),
    ).toEqual([]);
  });
  it('sliders always come to one', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...causes), fc.double({ min: 0, max: 1, noNaN: true })), {
          maxLength: 12,
        }),
        (moves) => {
          const end = moves.reduce((now, [cause, to]) => withChance(now, cause, to), evenChances(causes));
          expect(Object.values(end).reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9);
        },
      ),
    );
  });
});

describe('afterwards', () => {
  it('each reading says what it was worth, and the readings together what was found out', () => {
    const best = bestPath(drillOf('water-after-rain'));
    const worth = worthOfSteps(best);
    expect(worth).toHaveLength(best.steps.length);
    expect(worth.filter((one) => one !== null).at(-1)).toMatchObject({ cause: 'water' });
    expect(trueWords(best.drill)).toMatch(/^It was water .*, at 96 m\.$/);
  });
  it('results say how often it was so, and which level is next', () => {
    const drill = drillOf('nothing-wrong');
    const play = bestPath(drill);
    const answer = answerAfter(play);
    const score = scoreOf(play, answer, play);
    const result = resultOf(
      drill,
      { score, answer, minutes: play.minutes, unsafe: false },
      { by: '=R. Tolland', at: '2026-03-10T09:00:00Z' },
    );
    const sums = reliability([
      {
        drill: 'a',
        said: [
          { chance: 0.8, was: true },
          { chance: 0.8, was: true },
          { chance: 0.8, was: false },
          { chance: 0, was: false },
        ],
      },
    ]);
    expect(sums).toEqual([
      { said: 0, was: 0, count: 1 },
      { said: expect.closeTo(0.8, 9), was: 2 / 3, count: 3 },
    ]);
    const good = (drill: string) => ({ drill, level: 1 as const, total: 80 });
    // Whoever plays one again knows its truth: it lifts nobody.
    expect(levelReached([good('a'), good('b'), good('b')])).toBe(1);
    expect(levelReached([good('a'), good('b'), good('c')])).toBe(2);
    expect(resultsCsv([result])).toMatch(/^person,drill,level/);
    expect(resultsCsv([result])).not.toMatch(/\n=/);
  });
});

describe('results of several people', () => {
  const ended = (by: string, drill: string, hour: number, total: number): DrillResult => ({
    drill,
    title: drill,
    level: 1,
    by,
    at: `2026-03-10T${String(hour).padStart(2, '0')}:00:00Z`,
    total,
    parts: { cause: 0, metre: 0, minutes: 0, moves: 0, money: 0, record: 0 },
    minutes: 20,
    hints: 0,
    unsafe: false,
    said: [],
  });
  const [first, again, other] = [
    ended('R. Tolland', 'a', 9, 60),
    ended('R. Tolland', 'a', 11, 100),
    ended('W. Iken', 'a', 10, 84),
  ];

  it('come together each once, in the order they were played', () =>
    expect(joinedResults([again, first], [other, { ...first }])).toEqual([first, other, again]));
  it('that are not kept elsewhere yet are told by drill, person and moment', () => {
    expect(resultsMissing([{ ...first }], [first, again])).toEqual([again]);
    expect(resultsMissing([first, again], [first])).toEqual([]);
  });
  it('tell how far each is by the first time at each drill', () => {
    const more = ['b', 'c', 'd'].map((drill) => ended('W. Iken', drill, 12, 80));
    expect(progressOf([first, other, again, ...more])).toEqual([
      { by: 'R. Tolland', drills: 1, level: 1, points: 60 },
      { by: 'W. Iken', drills: 4, level: 2, points: (84 + 3 * 80) / 4 },
    ]);
  });
  it('of one drill stand beside one’s own, the best first time first', () => {
    const third = ended('T. Sallow', 'a', 13, 90);
    const all = [first, other, again, third, ended('T. Sallow', 'b', 14, 99)];
    expect(othersAt(all, 'a', 'W. Iken')).toEqual([third, first]);
    expect(othersAt(all, 'b', 'T. Sallow')).toEqual([]);
  });
});

describe('a drill from outside', () => {
  it.each([
    [{ truth: { ...drillOf('hidden-tap').truth, atM: 400 } }, /on the line, which is 160 m long/],
    [{ truth: { ...drillOf('hidden-tap').truth, troubles: ['split-pair'] } }, /this line, fed so, can have/],
    [{ toolbox: ['wire-map'] }, /at least one test/],
    [{ call: 'short' }, /./],
    [{ minutes: 5 }, /./],
  ])('that contradicts itself is refused in words: %j', (fields, words) => {
    const read = checkDrill({ ...drillOf('hidden-tap'), ...fields });
    expect(read.kind === 'refused' && read.problems.map(({ allowed }) => allowed).join(' ')).toMatch(words);
  });
});
