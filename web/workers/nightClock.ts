import type { NightClock } from '#core/evaluate';

/** When a shift begins, as clocks go where the reader is: nights are worked where the site is, and read there. */
export const beginOf = (date: string, time: string): number => new Date(`${date}T${time}:00`).getTime();

export const nightClock = (now: number): NightClock => ({ now, beginOf });

/** The date of a moment where the reader is. */
export function dateOf(moment: number): string {
  const at = new Date(moment);
  const two = (figure: number) => String(figure).padStart(2, '0');
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
}
