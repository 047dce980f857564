import { hasOwnCamera } from '#core/model/site';
import { chosenOption } from './chosenOption';
import type { RunEvaluation } from './evaluateRun';

/**
 * Whether a camera is gone when all is done: its view was agreed to go, or another camera sees it. A choice that cannot be carried out, such
 * as a view that nobody agreed to lose, takes nothing away.
 */
export function isGivenUp(evaluation: Pick<RunEvaluation, 'optionOf' | 'chosen'>): boolean {
  const option = chosenOption(evaluation);
  return option !== undefined && !hasOwnCamera(option.kind);
}
