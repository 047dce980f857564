import type { Proof } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import type { PlanTotals } from './types';

/** How sure it is that nothing is better, and what of the site that rests on. */
export function proofWords(proof: Proof, { onOpenGaps, cameras }: PlanTotals): string {
  const sure =
    proof.kind === 'proven'
      ? 'proven best'
      : proof.kind === 'gap'
        ? `within ${formatQuantity(proof.percent, '%', 1)} of the best`
        : 'by hand';
  return onOpenGaps === 0
    ? sure
    : `${sure} on what is known: ${onOpenGaps} of ${cameras} cameras rest on facts or tests still open`;
}
