import { runLengthM, testDefinition, type QuantityTestId } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import { expectedCoaxOhms, expectedPowerOhms } from '#core/test/findings';
import type { DiagnosisInput } from './looked';
import { notedLength } from './runLength';

/** Silver conducts so much better than copper; no loop of a length has less than that of its conductors in silver. */
const silverShare = 0.94;
/** A shorter run than noted explains a lower loop, down to so many of the spreads of its length. */
const lengthSpreads = 3;
/** What a meter may be off: ohms, and a share of volts. */
const meterOhms = 0.3;
const sourceShare = 1.08;

/** Why a loop is too low for what is noted; nothing where it is not, or where the coax is shorted on the way. */
function lowLoop(looked: DiagnosisInput, test: QuantityTestId, expected: number, cause: string): string[] {
  const { run, readings } = looked;
  const reading = readings[test];
  if (!reading || expected <= 0) return [];
  const shortest = Math.max(0, 1 - lengthSpreads * notedLength(run).spread);
  const least = silverShare * shortest * expected - meterOhms;
  if (reading.value >= least) return [];
  const { label } = testDefinition(test);
  return [
    `${label} ${formatQuantity(reading.value, 'Ω')}: less than ${formatQuantity(runLengthM(run), 'm')} of this cable can have in any metal, at least ${formatQuantity(least, 'Ω')}. ${cause}`,
  ];
}

/**
 * Readings that contradict physics or what is noted, in words. They are said and not smoothed over: one of the two is wrong, and a
 * person has to see which.
 */
export function contradictionsIn(looked: DiagnosisInput): string[] {
  const { run, readings, source } = looked;
  const isShorted =
    readings.continuity?.found === 'shorted' || (readings['insulation-megohms']?.value ?? 1) === 0;
  const volts = (['day-volts', 'night-volts'] as const).flatMap((test) => {
    const reading = readings[test];
    if (!reading || reading.value <= sourceShare * source.highestVolts) return [];
    return [
      `${testDefinition(test).label} ${formatQuantity(reading.value, 'V')}: more than ${source.name} gives, ${formatQuantity(source.highestVolts, 'V')}. It is set to more than noted, or something else feeds the camera.`,
    ];
  });
  return [
    ...(isShorted
      ? []
      : lowLoop(
          looked,
          'coax-loop-ohms',
          expectedCoaxOhms(run.segments),
          'The run is shorter than noted, it is another cable, or core and shield touch on the way.',
        )),
    ...lowLoop(
      looked,
      'power-loop-ohms',
      expectedPowerOhms(run),
      'The run is shorter than noted, more cores are joined than noted, or they touch on the way.',
    ),
    ...volts,
  ];
}
