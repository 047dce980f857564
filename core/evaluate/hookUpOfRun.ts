import { hookUpOf, type HookUpPair } from '#core/connect/hookUp';
import { chosenOption } from '#core/decide/runEvaluation';
import type { Site } from '#core/model/site';
import type { SiteEvaluation } from './evaluateSite';
import { networkAt } from './networkAt';

/** How a run's camera is connected today and when its choice is done; `null` where there is no such run. */
export function hookUpOfRun(
  site: Site,
  evaluation: SiteEvaluation,
  runId: string,
  gauge: 'awg' | 'mm2',
): HookUpPair | null {
  const run = evaluation.runs.find((one) => one.run.id === runId);
  if (!run) return null;
  const { topology } = networkAt(site, evaluation, { kind: 'after' });
  return hookUpOf(site, runId, chosenOption(run), topology, gauge);
}
