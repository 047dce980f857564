import { createEvents, type DateArray, type EventAttributes } from 'ics';
import { dayAfter, shiftMinutes } from '#core/cutover/nights';
import type { NightsNow } from '#core/evaluate';

/** Whose nights they are, and since when they are so. */
interface CalendarOf {
  siteId: string;
  siteName: string;
  address: string;
  /** The page that a night is worked from. */
  pageOf: (date: string) => string;
  /** Rises with every version of the nights, so that a calendar takes the newest. */
  sequence: number;
  titleOf: (taskId: string) => string;
  clock: (minutes: number) => string;
}

const startOf = (date: string, time: string): DateArray => {
  const [year = 0, month = 1, day = 1] = date.split('-').map(Number);
  const [hours = 0, minutes = 0] = time.split(':').map(Number);
  return [year, month, day, hours, minutes];
};

const dayAfterNight = (date: string, { settings: { shift } }: NightsNow): string =>
  shift.end <= shift.start ? dayAfter(date) : date;

/** What is looked at after a night: cameras are aimed by the first light, and their lamps looked at when it goes. Nothing where nobody has said when that is. */
function checkEvents(now: NightsNow, of: CalendarOf): EventAttributes[] {
  const { daylight } = now.settings;
  if (!daylight) return [];
  return now.nights.flatMap(({ date, jobs }, index): EventAttributes[] => {
    const swapped = new Set(jobs.map(({ job }) => job.id));
    const checks = now.tasks.filter(
      ({ kind, needs }) => kind === 'dusk-check' && needs.some((id) => swapped.has(id)),
    );
    if (checks.length === 0) return [];
    const minutes = Math.ceil(checks.reduce((sum, task) => sum + task.minutes.likely, 0) / 2);
    const about = {
      sequence: of.sequence,
      productId: 'neotrope',
      calName: `${of.siteName}, nights`,
      startInputType: 'local',
      startOutputType: 'local',
      duration: { hours: Math.floor(minutes / 60), minutes: minutes % 60 },
      description: checks.map(({ id }) => of.titleOf(id)).join('\n'),
      url: of.pageOf(date),
      busyStatus: 'BUSY',
    } as const;
    const day = dayAfterNight(date, now);
    return [
      {
        ...about,
        uid: `aim-${index + 1}-of-${of.siteId}@neotrope`,
        start: startOf(day, daylight.from),
        title: `${of.siteName}, aim by day`,
      },
      {
        ...about,
        uid: `lamps-${index + 1}-of-${of.siteId}@neotrope`,
        start: startOf(day, daylight.to),
        title: `${of.siteName}, prove by lamps`,
      },
    ];
  });
}

/**
 * The nights as an iCalendar file (RFC 5545), one event a night, at the hours of the place. A night keeps its name as long as it is the same
 * one in the row, so that a calendar that takes the file again moves it and does not have it twice.
 */
export function nightCalendar(now: NightsNow, of: CalendarOf): string {
  const minutes = shiftMinutes(now.settings.shift);
  const events = now.nights.map(({ date, jobs }, index): EventAttributes => ({
    uid: `night-${index + 1}-of-${of.siteId}@neotrope`,
    sequence: of.sequence,
    productId: 'neotrope',
    calName: `${of.siteName}, nights`,
    start: startOf(date, now.settings.shift.start),
    startInputType: 'local',
    startOutputType: 'local',
    duration: { hours: Math.floor(minutes / 60), minutes: minutes % 60 },
    title: `${of.siteName}, night ${index + 1}`,
    description: jobs
      .map(({ job, start, team, latestStart }) => {
        const people = team.map((person) => now.crew[person]?.name ?? '').join(' and ');
        return `${of.clock(start)} ${of.titleOf(job.id)} (${people}; not after ${of.clock(latestStart)})`;
      })
      .join('\n'),
    ...(of.address ? { location: of.address } : {}),
    url: of.pageOf(date),
    busyStatus: 'BUSY',
  }));
  const { error, value } = createEvents([...events, ...checkEvents(now, of)]);
  if (error) throw error;
  return value ?? '';
}
