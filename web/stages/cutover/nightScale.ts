import { clockAt } from '#core/cutover/words';

/** The hours that a night is drawn on: its shift, and an hour before and after. */
export interface NightScale {
  shiftMinutes: number;
  hours: { at: number; label: string }[];
  /** Where a moment is, in percent from the left. */
  leftOf: (minutes: number) => number;
  widthOf: (minutes: number) => number;
}

const around = 60;

export function nightScale(shiftStart: string, shiftMinutes: number): NightScale {
  const whole = shiftMinutes + 2 * around;
  const past = Number(shiftStart.split(':')[1]);
  const firstHour = past === 0 ? -around : -past;
  const hours: NightScale['hours'] = [];
  for (let at = firstHour; at <= shiftMinutes + around; at += 60)
    hours.push({ at, label: clockAt(shiftStart, at) });
  const widthOf = (minutes: number) => (100 * minutes) / whole;
  // What is earlier or later than is drawn stands at the edge.
  const leftOf = (minutes: number) => Math.min(100, Math.max(0, widthOf(minutes + around)));
  return { shiftMinutes, hours, leftOf, widthOf };
}
