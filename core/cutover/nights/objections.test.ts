import { describe, expect, it } from 'vitest';
import { eightHours, jobOf, twoPeople } from './testJob';
import { liftBands } from './liftBands';
import { objectionsTo } from './objections';
import { standingOf } from './standing';
import { timedNight, type GivenJob } from './timedNight';

const rules = eightHours;
const crew = twoPeople;
const night = (
  given: GivenJob[],
  over: { night?: number | null; chance?: number; ended?: string[] } = {},
) => ({
  night: over.night === undefined ? 0 : over.night,
  jobs: timedNight(given, rules),
  chance: over.chance ?? 1,
  ended: new Set(over.ended ?? []),
});
const kinds = (...nights: ReturnType<typeof night>[]) =>
  objectionsTo(nights, crew, rules).map((some) => some.map(({ kind }) => kind));
const by = (team: number[], job = jobOf('a')): GivenJob => ({ job, team });

describe('against a night', () => {
  it('is nothing where everything is as it should be', () => {
    expect(kinds(night([by([0]), by([1], jobOf('b'))]))).toEqual([[]]);
  });
  it('is too few people, a skill that is missing, and somebody whom it was not given to', () => {
    expect(kinds(night([by([1], jobOf('a', { people: 2 }))]))).toEqual([['people']]);
    expect(kinds(night([by([1], jobOf('a', { skills: ['network'] }))]))).toEqual([['skill']]);
    expect(kinds(night([by([1], jobOf('a', { by: ['tolland'] }))]))).toEqual([['person']]);
  });
  it('is a job before what it waits for, in another night or in the same one', () => {
    const waits = by([0], jobOf('a', { needs: ['b'] }));
    const first = by([1], jobOf('b'));
    expect(kinds(night([waits]), night([first], { night: 1 }))).toEqual([['order'], []]);
    expect(kinds(night([first, waits]))).toEqual([[]]);
    expect(kinds(night([first]), night([waits], { night: 1 }))).toEqual([[], []]);
  });
  it('is a job whose turn is put back or in no night: it waits on, until that is done', () => {
    const first = by([1], jobOf('b'));
    const waits = by([0], jobOf('a', { needs: ['b'], sameNight: 'b' }));
    const putBack = night([first], { ended: ['b'] });
    const later = night([waits], { night: 1 });
    expect(kinds(putBack, later)).toEqual([[], ['order', 'together']]);
    expect(kinds(later)).toEqual([['order', 'together']]);
    expect(objectionsTo([putBack, later], crew, rules, new Set(['b']))).toEqual([[], []]);
  });
  it('is a job apart from the one that it belongs to, or apart from its promise', () => {
    const with_ = by([0], jobOf('a', { sameNight: 'b' }));
    expect(kinds(night([with_]), night([by([1], jobOf('b'))], { night: 1 }))).toEqual([['together'], []]);
    expect(kinds(night([by([0], jobOf('a', { pinned: 2 }))]))).toEqual([['promised']]);
  });
  it('is what carries more than it can in its morning, until that is lightened', () => {
    const box = { name: 'Quay box', label: 'amps', unit: 'A', most: 6, before: 5 } as const;
    const limits = [{ ...box, changes: { a: 2, b: -1.5 } }];
    const [a, b] = [by([0]), by([1], jobOf('b'))];
    const against = (...nights: ReturnType<typeof night>[]) =>
      objectionsTo(nights, crew, rules, new Set(), limits);
    const tooMuch = { kind: 'morning', of: 'Quay box', what: 'amps', carried: 7, most: 6, unit: 'A' };
    expect(against(night([a]), night([b], { night: 1 }))).toEqual([[tooMuch], []]);
    expect(against(night([b]), night([a], { night: 1 }))).toEqual([[], []]);
    expect(against(night([a, b]))).toEqual([[]]);
    // What was put back does not lighten it.
    expect(against(night([b], { ended: ['b'] }), night([a], { night: 1 }))).toEqual([[], [tooMuch]]);
  });
  it('is a second restart of one thing', () => {
    const restart = (id: string) => by([0], jobOf(id, { skills: ['network'], restarts: 'hall', likely: 20 }));
    expect(kinds(night([restart('a'), restart('b')]))).toEqual([['restart']]);
  });
  it('is a begin that leaves no time to go back, a date that is closed, and too small a chance', () => {
    const long = [by([0], jobOf('a', { likely: 200 })), by([0], jobOf('b', { likely: 200 }))];
    expect(kinds(night(long))).toEqual([['late']]);
    expect(kinds(night([by([0])], { night: null }))).toEqual([['closed']]);
    expect(kinds(night([by([0])], { chance: 0.89 }))).toEqual([['unsure']]);
  });
  it('is a job that leaves more views dark than its rule lets be', () => {
    const dark = [
      { view: 'c06', minutes: 4 },
      { view: 'c07', minutes: 4 },
    ];
    const mostDark = [{ name: 'Lanes', views: ['c06', 'c07'], most: 1, exceptRestarts: false }];
    const held = { ...night([by([0], jobOf('a', { dark }))]) };
    expect(objectionsTo([held], crew, { ...rules, mostDark })[0]).toEqual([
      { kind: 'views', job: 'a', rule: 'Lanes', dark: 2, most: 1 },
    ]);
  });
  it('is nothing any more once it has ended there', () => {
    expect(kinds(night([by([1], jobOf('a', { people: 2 }))], { ended: ['a'], chance: 0 }))).toEqual([[]]);
  });
});

describe('a night in its order', () => {
  const one = by([0], jobOf('a', { place: 'quay' }));
  const two = by([0], jobOf('b', { place: 'lanes' }));
  it('has each job after its people are free and have walked there', () => {
    expect(timedNight([one, two], rules).map(({ start, end }) => [start, end])).toEqual([
      [0, 60],
      [66, 126],
    ]);
  });
  it('goes on from what was done, and from now where nothing is', () => {
    const begun = new Map([['a', { start: 10, end: 95 }]]);
    const goes = timedNight([one, two], rules, { minutesOf: () => 60, begun, now: 120 });
    expect(goes.map(({ start, end }) => [start, end])).toEqual([
      [10, 95],
      [120, 180],
    ]);
  });
  it('lets a job that is over its time end no earlier than now', () => {
    const begun = new Map([['a', { start: 0, end: null }]]);
    const [first, second] = timedNight([one, two], rules, { minutesOf: () => 60, begun, now: 150 });
    expect([first!.end, second!.start]).toEqual([150, 156]);
  });
});

describe('a job in hand', () => {
  const planned = { job: jobOf('a'), latestStart: 288 };
  it('is too late once its latest start has passed and nobody has begun', () => {
    expect(standingOf(planned, null, 288)).toEqual({ elapsed: 0, isTooLate: false, isOverdue: false });
    expect(standingOf(planned, null, 289).isTooLate).toBe(true);
    expect(standingOf(planned, { start: 280, end: null }, 300).isTooLate).toBe(false);
  });
  it('is overdue once it takes longer than at worst, and not any more when it has ended', () => {
    expect(standingOf(planned, { start: 0, end: null }, 96)).toMatchObject({ elapsed: 96, isOverdue: false });
    expect(standingOf(planned, { start: 0, end: null }, 97).isOverdue).toBe(true);
    expect(standingOf(planned, { start: 0, end: 120 }, 400)).toMatchObject({
      elapsed: 120,
      isOverdue: false,
    });
  });
});

it('a lift stands from the first job on it to the end of the last', () => {
  const at = (id: string, start: number, lift: string | null) => ({
    job: jobOf(id, { lift }),
    start,
    end: start + 60,
  });
  expect(
    liftBands([at('a', 0, 'quay'), at('b', 60, null), at('c', 130, 'quay'), at('d', 200, 'lanes')]),
  ).toEqual([
    { place: 'quay', start: 0, end: 190 },
    { place: 'lanes', start: 200, end: 260 },
  ]);
});
