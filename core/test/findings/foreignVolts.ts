import type { QuantityTestId } from '#core/model/site';
import type { RunReadings } from '#core/test/readings';
import type { TouchLimits } from './touchLimits';

/** From half of the stop limit on, hands stay off bare ends. Source: 12 V AC and 15 V DC are harmless even where skin is wet. */
export const cautionShare = 0.5;

/**
 * What a meter that loads the line read since the AC volts were read without; nothing where nobody did. A meter of high
 * impedance shows induced volts that no current stands behind. Source: practice; meters with a low-impedance range.
 */
function loadedVolts({
  'foreign-ac-volts': high,
  'foreign-ac-loaded-volts': low,
}: RunReadings): number | undefined {
  return high && low && Date.parse(low.at) >= Date.parse(high.at) ? low.value : undefined;
}

/** AC volts that a current can stand behind, as far as was looked; nothing while nobody did. */
export const realAcVolts = (readings: RunReadings): number | undefined =>
  loadedVolts(readings) ?? (readings['foreign-ac-volts'] ?? readings['foreign-ac-loaded-volts'])?.value;

/** Whether AC volts were read that were gone with a meter that loads the line. */
export function isInduced(readings: RunReadings, { acVolts }: TouchLimits): boolean {
  const caution = acVolts * cautionShare;
  return (
    (readings['foreign-ac-volts']?.value ?? 0) > caution && (loadedVolts(readings) ?? Infinity) <= caution
  );
}

/** Whether dangerous volts were read on the run, so that nobody goes on. Only volts that were wholly induced are let pass. */
export function isStopped(readings: RunReadings, limits: TouchLimits): boolean {
  const readOf = (test: QuantityTestId): number => readings[test]?.value ?? 0;
  const acVolts = Math.max(readOf('foreign-ac-volts'), readOf('foreign-ac-loaded-volts'));
  return (
    (acVolts > limits.acVolts && !isInduced(readings, limits)) || readOf('foreign-dc-volts') > limits.dcVolts
  );
}

/** Whether the AC volts ask for a look with a meter that loads the line. */
export const wantsLoadedCheck = (readings: RunReadings, { acVolts }: TouchLimits): boolean =>
  (readings['foreign-ac-volts']?.value ?? 0) > acVolts * cautionShare ||
  readings['foreign-ac-loaded-volts'] !== undefined;
