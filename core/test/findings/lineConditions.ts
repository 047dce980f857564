import { inLineGear, type Run } from '#core/model/site';
import { closeUtilisation, unboundedUtilisation } from '#core/shared/derivation';
import type { RunReadings } from '#core/test/readings';
import { gearInLine } from './gearInLine';
import { insulationState, insulationVerdict, wetBelowMegohms } from './insulation';
import { limitVerdict } from './limitVerdict';
import type { LineCondition } from './lineCondition';
import { pairConditions } from './pairConditions';
import { earthDifferenceVolts } from './safety';

/** What the old line is to carry: the picture alone, through its own cores or baluns, or data and power over its conductors. */
export type LineUse = 'picture' | 'data-and-power';

const wetMessage = {
  picture:
    'Wet or damaged cable: the picture goes with the water. Cut back to dry cable, or replace the length.',
  'data-and-power':
    'DC on a wet cable leaks and eats the metal. Cut back to dry cable, or replace the length, and read it again.',
};
const dampMessage = {
  picture: 'Damp: find where the water gets in before it is wet.',
  'data-and-power': 'Damp: DC on it speeds corrosion. Find where the water gets in first.',
};

function insulationCondition(run: Run, readings: RunReadings, use: LineUse): LineCondition | undefined {
  const reading = readings['insulation-megohms'];
  if (!reading) return undefined;
  const share = reading.value > 0 ? wetBelowMegohms(run) / reading.value : unboundedUtilisation;
  const state = insulationState(run, reading.value);
  const status = ({ dry: 'holds', damp: 'close', wet: 'fails' } as const)[state];
  const message = state === 'wet' ? wetMessage[use] : state === 'damp' ? dampMessage[use] : 'Dry.';
  // Damp begins at a tenth of the figure that is wet, and is most of the way there by its meaning.
  const utilisation = state === 'damp' ? Math.max(closeUtilisation, share) : share;
  return {
    kind: 'insulation',
    label: 'insulation',
    unit: 'MΩ',
    value: reading.value,
    utilisation,
    status,
    message,
    derivation: () => ({ ...insulationVerdict(run, reading).derivation(), conclusion: message }),
  };
}

/** An isolator breaks the loop for a picture; what it does not pass is power, so nothing helps a feed but fibre. */
function earthCondition(run: Run, readings: RunReadings, use: LineUse): LineCondition | undefined {
  const reading = readings['shield-earth-volts'];
  if (!reading || reading.value <= earthDifferenceVolts) return undefined;
  const isPicture = use === 'picture';
  const isIsolated = isPicture && gearInLine(run).includes(inLineGear.isolator);
  const message = isIsolated
    ? 'Different earths, and an isolator in the line.'
    : isPicture
      ? 'Different earths: an isolator breaks the loop. Find out why they differ; never just bond them.'
      : 'Different earths: an isolator would block the power. Fibre, or one earth made by a licensed electrician.';
  return {
    kind: 'earth',
    label: 'different earths',
    unit: 'V',
    value: reading.value,
    utilisation: isPicture ? closeUtilisation : reading.value / earthDifferenceVolts,
    status: isIsolated ? 'holds' : isPicture ? 'close' : 'fails',
    message,
    derivation: () => ({
      ...limitVerdict('shield-earth-volts', reading).derivation(),
      conclusion: message,
    }),
  };
}

/** What was read of the line that binds whatever is to be done with it, power over four pairs of it or two. Nothing where nobody has looked. */
export function lineConditions(
  run: Run,
  readings: RunReadings,
  use: LineUse,
  onFourPairs = false,
): readonly LineCondition[] {
  const insulation = insulationCondition(run, readings, use);
  const earth = earthCondition(run, readings, use);
  const pairs = use === 'data-and-power' ? pairConditions(run, readings, onFourPairs) : none;
  if (!insulation && !earth) return pairs;
  return [insulation, earth, ...pairs].filter((condition) => condition !== undefined);
}
const none: readonly LineCondition[] = [];
