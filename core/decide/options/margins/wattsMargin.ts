import { formatQuantity } from '#core/shared/units';
import {
  basisOf,
  statusOf,
  unboundedUtilisation,
  type Basis,
  type Figure,
  type Source,
  type Step,
} from '#core/shared/derivation';
import type { Scenario } from '#core/test/scenarios';
import type { Margin } from '../option';

/** Share of what there is that is needed. */
export const enough = (need: number, have: number): number =>
  need <= 0 ? 0 : have > 0 ? need / have : unboundedUtilisation;

interface WattsOver {
  need: Figure;
  have: number;
  loopFrom: Source;
  basis?: Basis;
  unread: boolean;
  steps: () => Step[];
  limitSays: string;
  under: (scenario: Scenario) => number;
  valueUnder?: (scenario: Scenario) => number;
}

/** Watts that arrive against what is needed there. */
export function wattsMargin({
  need,
  have,
  loopFrom,
  basis,
  unread,
  steps,
  limitSays,
  under,
  valueUnder,
}: WattsOver): Margin {
  const utilisation = enough(need.value ?? 0, have);
  return {
    kind: 'watts',
    label: 'watts that arrive',
    unit: 'W',
    value: have,
    utilisation,
    status: statusOf(utilisation),
    basis: basis ?? basisOf(loopFrom),
    unread,
    derivation: () => ({
      title: `Watts that arrive, ${formatQuantity(have, 'W')}`,
      steps: steps(),
      limit: { sense: 'at-least', figure: need },
      conclusion: utilisation <= 1 ? `${formatQuantity(have - (need.value ?? 0), 'W')} to spare.` : limitSays,
    }),
    under,
    ...(valueUnder ? { valueUnder } : {}),
  };
}
