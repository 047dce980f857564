import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Site } from '#core/model/site';
import { diagnose, type Diagnosis, type DiagnosisInput } from '#core/test/diagnosis';
import { feedSource, notedAlike } from '#core/test/findings';
import { readingsByRun, type RunReadings } from '#core/test/readings';
import { usesOf, type Uses } from '#core/test/uses';
import type { Before } from './evaluateSite';

/** What can be said of one run when somebody looks closely: its likeliest trouble, what to test next, and what it is fit for. */
export interface RunDiagnostics {
  diagnosis: Diagnosis;
  uses: Uses;
}

/** Everything that a diagnosis of an evaluated run is made from. */
export const diagnosisInput = (
  site: Site,
  { run, camera, findings }: Pick<RunEvaluation, 'run' | 'camera' | 'findings'>,
  readings: RunReadings,
): DiagnosisInput => ({
  run,
  camera,
  readings,
  verdicts: findings.verdicts,
  source: feedSource(site, run),
  notes: notedAlike(site, run, camera),
});

/** A close look at one run of an evaluated site; `null` where there is no such run. */
export function runDiagnostics({ site, evaluation }: Before, runId: string): RunDiagnostics | null {
  const found = evaluation.runs.find(({ run }) => run.id === runId);
  if (!found) return null;
  const { run, camera, findings } = found;
  const readings = readingsByRun(site).get(runId) ?? {};
  return {
    diagnosis: diagnose(diagnosisInput(site, found, readings), site.place[camera.placeId]!),
    uses: usesOf(site, run, camera, findings, readings),
  };
}
