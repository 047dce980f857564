import type { FeasibleOption } from '#core/decide/options';
import type { RunEvaluation } from './evaluateRun';

/** The option that was chosen for a camera, where it can be had; `undefined` while nothing is chosen. */
export const chosenOption = (
  evaluation: Pick<RunEvaluation, 'options' | 'chosen'>,
): FeasibleOption | undefined =>
  evaluation.chosen === null
    ? undefined
    : evaluation.options.find(
        (option): option is FeasibleOption => option.kind === evaluation.chosen && option.state !== 'no',
      );
