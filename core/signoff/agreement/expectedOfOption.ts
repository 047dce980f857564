import type { FeasibleOption } from '#core/decide/options';
import type { Unit } from '#core/shared/units';
import {
  driverOf,
  intervalOf,
  isMeasured,
  predictedOf,
  quantile,
  sampledUtilisations,
  sampledValues,
  type Predicted,
} from '#core/signoff/predicted';
import { asKnown, type Scenario } from '#core/test/scenarios';
import { kinKey, type Kinship, type Meets, type SharedDifference } from './agreementOf';
import { believedOfNext } from './sharedShift';

/** A figure of an option as it is expected now that runs which share something with this one were read. */
export interface ExpectedMargin {
  label: string;
  unit: Unit;
  difference: SharedDifference;
  before: Predicted;
  now: Predicted;
  meets: Meets;
}

/** A figure that moves by less than this share is expected as before. */
const leastMoved = 0.01;
/** Nine in ten are below it, as far as an interval that holds nine in ten tells. */
const nearlyAll = 0.95;

/** Whether a limit is kept by what a margin may use of it. */
function meetsOf(used: readonly number[], middle: number): Meets {
  if (quantile(used, nearlyAll) <= 1) return 'surely';
  return middle <= 1 ? 'maybe' : 'hardly';
}

/**
 * What readings of other runs say of an option of a run that nobody has read: for each figure that rests on what those are off by together,
 * what it is expected at now. Figures that stay where they were are left out.
 */
export function expectedOfOption(
  { margins }: Pick<FeasibleOption, 'margins'>,
  { number, kin }: { number: number; kin: readonly Kinship[] },
  differences: readonly SharedDifference[],
): ExpectedMargin[] {
  const keys = new Set(kin.map(kinKey));
  const shared = differences.filter((one) => keys.has(kinKey(one.kin)) && !one.numbers.includes(number));
  return margins.flatMap((margin): ExpectedMargin[] => {
    const key = driverOf(margin.kind);
    const difference = shared.find(({ driver }) => driver === key);
    if (key === null || !difference || !isMeasured(margin)) return [];
    const next = believedOfNext(difference.shift);
    const scenario: Scenario = { ...asKnown, [key]: next.mean };
    const before = predictedOf(margin);
    const now = intervalOf(margin.valueUnder(scenario), sampledValues(margin, { [key]: next }));
    if (Math.abs(now.value - before.value) <= leastMoved * Math.abs(before.value)) return [];
    const meets = meetsOf(sampledUtilisations(margin, { [key]: next }), margin.under(scenario));
    return [{ label: margin.label, unit: margin.unit, difference, before, now, meets }];
  });
}
