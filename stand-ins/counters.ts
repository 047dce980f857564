import type { PortCounters } from '#core/connect/switchReport';

const stepMs = 10 * 60_000;
/** It keeps three days of them. */
const keptSteps = 72 * 6;
/** A camera's stream in packets of ten minutes. */
const packets = 180_000;

/** From one to four in the morning the damp is in the plug. */
const isNight = (atMs: number): boolean => {
  const hour = new Date(atMs).getHours();
  return hour >= 1 && hour < 4;
};

/** What a port counted until now: a steady stream, and for one that loses by night two in a hundred of it then, and its link for ten minutes at two. */
export function countersAt({ isUp }: { isUp: boolean }, losesAtNight: boolean, now: number): PortCounters {
  const last = Math.floor(now / stepMs) * stepMs;
  return {
    samples: Array.from({ length: keptSteps + 1 }, (_, k) => {
      const atMs = last - (keptSteps - k) * stepMs;
      const at = new Date(atMs);
      const isBad = losesAtNight && isNight(atMs);
      const isGone = isBad && at.getHours() === 2 && at.getMinutes() === 10;
      return {
        at: at.toISOString(),
        sent: isUp ? packets : 0,
        lost: isUp ? (isGone ? packets : isBad ? packets / 50 : 0) : 0,
        isUp: isUp && !isGone,
      };
    }),
  };
}
