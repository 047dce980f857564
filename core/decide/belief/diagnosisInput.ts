import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Site } from '#core/model/site';
import type { DiagnosisInput, SharedRates } from '#core/test/diagnosis';
import { feedSource, notedAlike } from '#core/test/findings';
import type { RunReadings } from '#core/test/readings';

/** Everything that a diagnosis of an evaluated run is made from. */
export const diagnosisInput = (
  site: Site,
  { run, camera, findings }: Pick<RunEvaluation, 'run' | 'camera' | 'findings'>,
  readings: RunReadings,
  shared: SharedRates = {},
): DiagnosisInput => ({
  run,
  camera,
  readings,
  verdicts: findings.verdicts,
  source: feedSource(site, run),
  notes: notedAlike(site, run, camera),
  shared,
});
