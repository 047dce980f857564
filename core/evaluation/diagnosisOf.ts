import { diagnose, feedSource, readingsByRun, type Diagnosis } from '#core/findings';
import type { Before } from './evaluateSite';

/** What is most likely wrong with one run of an evaluated site; `null` where there is no such run. */
export function diagnosisOf({ site, evaluation }: Before, runId: string): Diagnosis | null {
  const found = evaluation.runs.find(({ run }) => run.id === runId);
  if (!found) return null;
  const { run, camera, findings: { verdicts } } = found;
  return diagnose({ run, camera, source: feedSource(site, run), readings: readingsByRun(site).get(runId) ?? {}, verdicts }, site.place[camera.placeId]!);
}
