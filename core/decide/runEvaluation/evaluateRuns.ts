import { readingsByRun } from '#core/test/readings';
import { siteContext } from './siteContext';
import { staleRuns, type ReadingsByRun, type RunSite } from './dependencies';
import { evaluateRun, type RunEvaluation } from './evaluateRun';

/** Runs as they were evaluated before, with the site they were evaluated for. */
export interface EvaluatedRuns {
  site: RunSite;
  runs: readonly RunEvaluation[];
}

/** The runs of an earlier evaluation that still hold, by id. */
function stillHolding(
  site: RunSite,
  readings: ReadingsByRun,
  before: EvaluatedRuns,
): Map<string, RunEvaluation> {
  const isReadAlike = before.site.reading === site.reading && before.site.mending === site.mending;
  const readingsThen = isReadAlike ? readings : readingsByRun(before.site);
  const stale = staleRuns(site, before.site, readings, readingsThen);
  if (stale.kind === 'all') return new Map();
  const holding = before.runs.filter(({ run }) => site.run[run.id] && !stale.isStale(run.id));
  return new Map(holding.map((evaluation) => [evaluation.run.id, evaluation]));
}

/**
 * Every run of a site with its camera, by the camera's number. Given what was evaluated before, only the runs that rest
 * on something that changed since are worked out anew, and the others are the same objects.
 */
export function evaluateRuns(site: RunSite, before?: EvaluatedRuns): RunEvaluation[] {
  const readings = readingsByRun(site);
  const unchanged = before ? stillHolding(site, readings, before) : new Map<string, RunEvaluation>();
  const context = siteContext(site, readings);
  return Object.values(site.run)
    .map((run) => unchanged.get(run.id) ?? evaluateRun(site, run, readings.get(run.id) ?? {}, context))
    .sort((a, b) => a.camera.number - b.camera.number);
}
