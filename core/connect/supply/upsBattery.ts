import type { Gear, Site } from '#core/model/site';

type Ups = Gear & { kind: 'ups' };

/** What is left of a battery’s Wh in the middle of its life. Policy: IEEE 1188 replaces it at 80 %. */
const midLife = 0.8;

/** So many years after the year on it a sealed lead battery is taken as worn. Policy: makers’ usual three to five at 20 to 25 °C. */
export const batteryYears = 4;

/** What the year on a battery says of the minutes that are reckoned with it. */
export type BatteryAge =
  /** Nobody has noted the year. */
  { kind: 'unknown' } | { kind: 'fit' | 'worn'; wornFrom: number };

/** The last year that the site tells of: of its readings, or of its nights to come. */
function lastYear({ reading, plannedNight }: Pick<Site, 'reading' | 'plannedNight'>): number | null {
  const years = [
    ...Object.values(reading).map(({ at }) => Number(at.slice(0, 4))),
    ...Object.values(plannedNight).map(({ date }) => Number(date.slice(0, 4))),
  ];
  return years.length > 0 ? years.reduce((last, year) => Math.max(last, year)) : null;
}

/** Whether the battery of a UPS is worn in the last year that the site tells of; where it tells of none, the year is all there is. */
function batteryAge(site: Pick<Site, 'reading' | 'plannedNight'>, { batteryYear }: Ups): BatteryAge {
  if (batteryYear === undefined) return { kind: 'unknown' };
  const wornFrom = batteryYear + batteryYears;
  const year = lastYear(site);
  return { kind: year !== null && year >= wornFrom ? 'worn' : 'fit', wornFrom };
}

/** How long a UPS lasts at so many watts, with a battery in the middle of its life. */
const upsHours = ({ usableWh, efficiencyPercent }: Ups, watts: number): number =>
  (usableWh * midLife * (efficiencyPercent / 100)) / watts;

/** What a UPS is good for without mains. */
export interface Backup {
  /** By its battery alone. */
  hours: number;
  battery: BatteryAge;
  /** More hangs on it than its inverter bears: it switches off, whatever the battery has. */
  isOverloaded: boolean;
}

/** What a UPS is good for with so much on it; `null` with nothing. */
export const backupOf = (
  site: Pick<Site, 'reading' | 'plannedNight'>,
  gear: Ups,
  { watts, voltAmps }: { watts: number; voltAmps: number },
): Backup | null =>
  watts > 0
    ? {
        hours: upsHours(gear, watts),
        battery: batteryAge(site, gear),
        isOverloaded: watts > gear.ratedWatts || voltAmps > (gear.ratedVa ?? Infinity),
      }
    : null;

/** The minutes of a UPS with what its load and its battery’s age make of them. */
export function backupInWords({ hours, battery, isOverloaded }: Backup): string {
  if (isOverloaded) return 'overloaded: it switches off when the mains fail';
  if (battery.kind === 'worn') return `battery worn since ${battery.wornFrom}: count on no minutes`;
  const lasts = `lasts ${Math.round(hours * 60)} min`;
  return battery.kind === 'unknown'
    ? `${lasts} if its battery is not worn`
    : `${lasts}; battery worn from ${battery.wornFrom}`;
}
