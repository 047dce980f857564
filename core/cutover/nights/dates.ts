const dayMs = 24 * 3600 * 1000;

/** The day of the week of a date, 1 for Monday. */
export const weekdayOf = (date: string): number => new Date(`${date}T00:00:00Z`).getUTCDay() || 7;

/** The date so many days after a date, or before it where they are less than none. */
export const daysAfter = (date: string, days: number): string =>
  new Date(Date.parse(`${date}T00:00:00Z`) + days * dayMs).toISOString().slice(0, 10);

/** The date after a date. */
export const dayAfter = (date: string): string => daysAfter(date, 1);

interface Calendar {
  from: string;
  weekdays: readonly number[];
  blackouts: readonly string[];
  mostNights: number;
}

/** Whether a night may begin on a date: a day of the week that is worked, on which something may be touched. */
export const isOpenDate = (
  { weekdays, blackouts }: Pick<Calendar, 'weekdays' | 'blackouts'>,
  date: string,
): boolean => weekdays.includes(weekdayOf(date)) && !blackouts.includes(date);

/** So far ahead nights are sought: what has none in two years has none. */
const mostDays = 731;

/** The dates that nights can begin on, in their order. Fewer than wished where everything is blacked out. */
export function datesOf({ from, weekdays, blackouts, mostNights }: Calendar): string[] {
  const dates: string[] = [];
  let date = from;
  for (let day = 0; day < mostDays && dates.length < mostNights; day += 1, date = dayAfter(date))
    if (isOpenDate({ weekdays, blackouts }, date)) dates.push(date);
  return dates;
}

const dayMinutes = 1440;

const minutesOf = (clock: string): number => {
  const [hours = 0, minutes = 0] = clock.split(':').map(Number);
  return 60 * hours + minutes;
};

/** Minutes of a shift; one that ends before it begins is over the next morning. */
export function shiftMinutes({ start, end }: { start: string; end: string }): number {
  const minutes = minutesOf(end) - minutesOf(start);
  return minutes > 0 ? minutes : minutes + dayMinutes;
}

/**
 * The part of a shift that lies in some hours of the day, in minutes after its beginning; the longer one where they are in it twice. It is
 * empty, from 0 to 0, where the shift has none of them.
 */
export function hoursInShift(
  shift: { start: string; end: string },
  hours: { from: string; to: string },
): { from: number; to: number } {
  const length = shiftMinutes(shift);
  const lasts = shiftMinutes({ start: hours.from, end: hours.to });
  const begins = (minutesOf(hours.from) - minutesOf(shift.start) + dayMinutes) % dayMinutes;
  const parts = [begins - dayMinutes, begins].map((from) => ({
    from: Math.max(0, from),
    to: Math.min(length, from + lasts),
  }));
  const [longest] = parts.sort((a, b) => b.to - b.from - (a.to - a.from));
  return longest!.to > longest!.from ? longest! : { from: 0, to: 0 };
}
