import type { Site } from '#core/model/site';
import { feedSource, notedAlike, runFindings } from '#core/test/findings';
import { readingsByRun, type RunReadings } from '#core/test/readings';
import type { DiagnosisInput } from './looked';

/** For tests: what is known of a run of a site, with more readings. */
export function inputOf(site: Site, runId: string, more: RunReadings = {}): DiagnosisInput {
  const run = site.run[runId]!;
  const camera = site.camera[run.cameraId]!;
  const readings = { ...readingsByRun(site).get(runId), ...more };
  const { verdicts } = runFindings(site, run, camera, readings);
  return {
    run,
    camera,
    readings,
    verdicts,
    source: feedSource(site, run),
    notes: notedAlike(site, run, camera),
    shared: {},
  };
}
