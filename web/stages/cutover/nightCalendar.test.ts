import ICAL from 'ical.js';
import { expect, it } from 'vitest';
import type { NightsNow } from '#core/evaluate';
import { nightCalendar } from './nightCalendar';

const night = (date: string) => ({
  date,
  jobs: [
    {
      job: { id: 'swap-c12' },
      start: 0,
      end: 99,
      team: [0, 1],
      latestStart: 288,
    },
  ],
});
const now = (...dates: string[]) =>
  ({
    settings: { shift: { start: '21:00', end: '05:30' } },
    crew: [{ name: 'R. Tolland' }, { name: 'B. Quay' }],
    nights: dates.map(night),
  }) as unknown as NightsNow;
const of = {
  siteId: 'saltmarrow',
  siteName: 'Saltmarrow Ferry Terminal',
  address: 'Ferry Lane, Saltmarrow',
  pageOf: () => 'http://localhost/site/saltmarrow/cutover?view=tonight',
  sequence: 7,
  titleOf: () => '12 Mast, turning: change over',
  clock: (minutes: number) => `+${minutes}`,
};
const eventsIn = (text: string) =>
  new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));

it('another parser reads each night at the hours of the place, with its tasks', () => {
  const [first, second] = eventsIn(nightCalendar(now('2026-05-11', '2026-05-12'), of));
  expect(first!.summary).toBe('Saltmarrow Ferry Terminal, night 1');
  expect(first!.startDate.toString()).toBe('2026-05-11T21:00:00');
  expect(first!.endDate.toString()).toBe('2026-05-12T05:30:00');
  // The hours of the place, in no zone of its own.
  expect(first!.startDate.zone.tzid).toBe('floating');
  expect(first!.description).toBe(
    '+0 12 Mast, turning: change over (R. Tolland and B. Quay; not after +288)',
  );
  expect(second!.startDate.toString()).toBe('2026-05-12T21:00:00');
});

it('a night that is moved keeps its name, so that a calendar has it once', () => {
  const before = eventsIn(nightCalendar(now('2026-05-11'), of));
  const after = eventsIn(nightCalendar(now('2026-05-18'), { ...of, sequence: 8 }));
  expect(after.map(({ uid }) => uid)).toEqual(before.map(({ uid }) => uid));
  expect(after[0]!.sequence).toBeGreaterThan(before[0]!.sequence);
});
