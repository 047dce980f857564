import type { FeasibleOption } from '#core/decide/options';
import type { OptionLine } from '#core/decide/risk';
import type { Unit } from '#core/shared/units';
import {
  driverOf,
  isMeasured,
  quantile,
  sampledUtilisations,
  type Meets,
  type Predicted,
} from '#core/signoff/predicted';
import { kinKey, type Kinship, type SharedDifference } from './agreementOf';
import { isMoved, movedBy } from './movedBy';

/** A figure of an option as it is expected now that runs which share something with this one were read. */
export interface ExpectedMargin {
  label: string;
  unit: Unit;
  difference: SharedDifference;
  before: Predicted;
  now: Predicted;
  meets: Meets;
}

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
  line: OptionLine,
  { number, kin }: { number: number; kin: readonly Kinship[] },
  differences: readonly SharedDifference[],
): ExpectedMargin[] {
  const keys = new Set(kin.map(kinKey));
  const shared = differences.filter((one) => keys.has(kinKey(one.kin)) && !one.numbers.includes(number));
  return margins.flatMap((margin): ExpectedMargin[] => {
    const difference = shared.find(({ driver }) => driver === driverOf(margin.kind));
    if (!difference || !isMeasured(margin)) return [];
    const foretold = { margin, line };
    const moved = movedBy(foretold, difference.shift);
    if (!moved || !isMoved(moved)) return [];
    const { before, now, scenario, about } = moved;
    const meets = meetsOf(sampledUtilisations(foretold, about), margin.under(scenario));
    return [{ label: margin.label, unit: margin.unit, difference, before, now, meets }];
  });
}
