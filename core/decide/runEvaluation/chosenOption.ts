import type { FeasibleOption } from '#core/decide/options';
import type { OptionKind } from '#core/model/site';
import type { RunEvaluation } from './evaluateRun';

/** An option of a camera, where it can be had. */
export function feasibleOption(
  { optionOf }: Pick<RunEvaluation, 'optionOf'>,
  kind: OptionKind,
): FeasibleOption | undefined {
  const option = optionOf(kind);
  return option.state === 'no' ? undefined : option;
}

/** The option that was chosen for a camera, where it can be had; `undefined` while nothing is chosen. */
export const chosenOption = (
  evaluation: Pick<RunEvaluation, 'optionOf' | 'chosen'>,
): FeasibleOption | undefined =>
  evaluation.chosen === null ? undefined : feasibleOption(evaluation, evaluation.chosen);
