import { diagnosisInput, sharedBy } from '#core/decide/belief';
import type { TestId } from '#core/model/site';
import { beliefIn, expectedReadings, type ExpectedReading } from '#core/test/diagnosis';
import { readingsByRun } from '#core/test/readings';
import type { Before } from './evaluateSite';

/** Where each figure of a run is expected, from all that is known of it but the figure itself. */
export function readingsExpected(
  { site, evaluation }: Before,
  runId: string,
): Partial<Record<TestId, ExpectedReading>> {
  const found = evaluation.runs.find(({ run }) => run.id === runId);
  if (!found || found.findings.state === 'stop') return {};
  const byRun = readingsByRun(site);
  const shared = sharedBy(site, evaluation.runs, byRun)(found.run);
  const looked = diagnosisInput(site, found, byRun.get(runId) ?? {}, shared);
  return expectedReadings(looked, beliefIn(looked));
}
