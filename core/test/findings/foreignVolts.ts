import type { QuantityReading } from '#core/model/site';
import type { RunReadings } from '#core/test/readings';
import type { TouchLimits } from './touchLimits';

/** From half of the stop limit on, hands stay off bare ends. Source: 12 V AC and 15 V DC are harmless even where skin is wet. */
export const cautionShare = 0.5;

/**
 * The reading with a meter that loads the line, as far as it still says anything: it is from after the volts were last read
 * without. A meter of high impedance shows induced volts that no current stands behind. Source: practice.
 */
export function loadedReading({
  'foreign-ac-volts': high,
  'foreign-ac-loaded-volts': low,
}: RunReadings): QuantityReading | undefined {
  return low && (!high || Date.parse(low.at) >= Date.parse(high.at)) ? low : undefined;
}

/** AC volts that a current can stand behind, as far as was looked; nothing while nobody did. */
export const realAcVolts = (readings: RunReadings): number | undefined =>
  (loadedReading(readings) ?? readings['foreign-ac-volts'])?.value;

/** Whether AC volts were read that were gone with a meter that loads the line. */
export function isInduced(readings: RunReadings, { acVolts }: TouchLimits): boolean {
  const caution = acVolts * cautionShare;
  const low = loadedReading(readings);
  return low !== undefined && low.value <= caution && (readings['foreign-ac-volts']?.value ?? 0) > caution;
}

/** Whether dangerous volts were read on the run, so that nobody goes on. Only volts that were wholly induced are let pass. */
export function isStopped(readings: RunReadings, limits: TouchLimits): boolean {
  const acVolts = Math.max(readings['foreign-ac-volts']?.value ?? 0, loadedReading(readings)?.value ?? 0);
  return (
    (acVolts > limits.acVolts && !isInduced(readings, limits)) ||
    (readings['foreign-dc-volts']?.value ?? 0) > limits.dcVolts
  );
}

/** Whether the AC volts ask for a look with a meter that loads the line. */
export const wantsLoadedCheck = (readings: RunReadings, { acVolts }: TouchLimits): boolean =>
  (readings['foreign-ac-volts']?.value ?? 0) > acVolts * cautionShare ||
  loadedReading(readings) !== undefined;
