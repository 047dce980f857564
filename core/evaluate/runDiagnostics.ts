import { diagnosisInput, sharedBy } from '#core/decide/belief';
import { worthOfTesting, type WorthOfTesting } from '#core/decide/risk';
import { diagnose, type Diagnosis } from '#core/test/diagnosis';
import { readingsByRun } from '#core/test/readings';
import { usesOf, type Uses } from '#core/test/uses';
import type { Before } from './evaluateSite';

/** What can be said of one run when somebody looks closely: its likeliest trouble, what to test next, and what it is fit for. */
export interface RunDiagnostics {
  diagnosis: Diagnosis;
  uses: Uses;
  /** The test that is worth most to what is chosen for its camera. */
  forPlan: WorthOfTesting | null;
}

/** A close look at one run of an evaluated site; `null` where there is no such run. */
export function runDiagnostics({ site, evaluation }: Before, runId: string): RunDiagnostics | null {
  const found = evaluation.runs.find(({ run }) => run.id === runId);
  if (!found) return null;
  const { run, camera, findings } = found;
  const byRun = readingsByRun(site);
  const readings = byRun.get(runId) ?? {};
  return {
    diagnosis: diagnose(
      diagnosisInput(site, found, readings, sharedBy(site, evaluation.runs, byRun)(run)),
      site.place[camera.placeId]!,
    ),
    uses: usesOf(site, run, camera, findings, readings),
    forPlan: worthOfTesting(site, evaluation.runs, found),
  };
}
