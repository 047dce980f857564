import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Run, Site } from '#core/model/site';
import {
  beliefIn,
  diagnose,
  sharedRates,
  type Belief,
  type Diagnosis,
  type DiagnosisInput,
  type SharedRates,
} from '#core/test/diagnosis';
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
  { run, camera, findings }: RunEvaluation,
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

/** Belief in a run by its own readings, kept for as long as its evaluation is. */
const believed = new WeakMap<RunEvaluation, Belief>();

/** What runs that were tested say of another that has something in common with them. */
export function sharedBy(
  site: Site,
  evaluations: readonly RunEvaluation[],
  readings: ReadonlyMap<string, RunReadings>,
): (own: Run) => SharedRates {
  const beliefOf = (one: RunEvaluation): Belief => {
    let belief = believed.get(one);
    if (!belief) {
      belief = beliefIn(diagnosisInput(site, one, readings.get(one.run.id) ?? {})).belief;
      believed.set(one, belief);
    }
    return belief;
  };
  return sharedRates(
    evaluations
      .filter(({ findings }) => findings.missing.length === 0)
      .map((one) => ({ run: one.run, belief: () => beliefOf(one) })),
  );
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
  };
}
