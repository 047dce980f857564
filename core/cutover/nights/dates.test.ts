import { describe, expect, it } from 'vitest';
import { datesOf, hoursInShift, shiftMinutes, weekdayOf } from './dates';

describe('the dates of nights', () => {
  const calendar = { from: '2026-05-11', weekdays: [1, 2, 3, 4], blackouts: ['2026-05-14'], mostNights: 5 };
  it('are the working days from the first on, without those on which nothing may be touched', () =>
    expect(datesOf(calendar)).toEqual([
      '2026-05-11',
      '2026-05-12',
      '2026-05-13',
      '2026-05-18',
      '2026-05-19',
    ]));
  it('go over the end of a month and of February in a leap year', () =>
    expect(
      datesOf({ ...calendar, from: '2028-02-28', blackouts: [], weekdays: [1, 2, 3], mostNights: 3 }),
    ).toEqual(['2028-02-28', '2028-02-29', '2028-03-01']));
  it('are none where all is blacked out', () => {
    const blackouts = datesOf({ ...calendar, blackouts: [], mostNights: 500 });
    expect(
      datesOf({ ...calendar, blackouts: blackouts.concat('2026-05-14'), weekdays: [1, 2, 3, 4] }),
    ).toEqual([]);
  });
  it('have their days of the week', () =>
    expect(['2026-05-11', '2026-05-17'].map(weekdayOf)).toEqual([1, 7]));
});

it('a shift goes over midnight where it ends before it begins, and round the clock where it ends as it begins', () => {
  expect(shiftMinutes({ start: '21:00', end: '05:00' })).toBe(480);
  expect(shiftMinutes({ start: '08:30', end: '16:00' })).toBe(450);
  expect(shiftMinutes({ start: '21:00', end: '21:00' })).toBe(1440);
});

it('hours of the day lie in a shift from its beginning, from midnight on, or not at all', () => {
  const night = { start: '21:00', end: '05:00' };
  const of = (from: string, to: string) => hoursInShift(night, { from, to });
  expect(of('22:00', '01:30')).toEqual({ from: 60, to: 270 });
  expect(of('18:00', '23:00')).toEqual({ from: 0, to: 120 });
  expect(of('01:00', '09:00')).toEqual({ from: 240, to: 480 });
  expect(of('06:00', '20:00')).toEqual({ from: 0, to: 0 });
  expect(of('20:00', '20:00')).toEqual({ from: 0, to: 480 });
  // All but the hours from 23:00 to 04:00: two hours before them, one after.
  expect(of('04:00', '23:00')).toEqual({ from: 0, to: 120 });
});
