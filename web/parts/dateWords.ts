const dayWords = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  timeZone: 'UTC',
});

/** A date as it is read: `Tue 12 May`. */
export const dateWords = (date: string): string =>
  dayWords.format(new Date(`${date}T00:00:00Z`)).replace(',', '');
