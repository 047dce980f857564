import type { Change } from './edit';
import type { Site } from './site';

/**
 * Everything that goes when a run and its camera go. Readings stay with a site for good, so a run that
 * has any keeps standing; the caller is told so by getting nothing back.
 */
export function removeRunAndCamera(site: Site, runId: string): Change[] {
  const run = site.run[runId];
  if (!run || Object.values(site.reading).some((reading) => reading.runId === runId)) return [];
  const { cameraId } = run;
  const changes: Change[] = [{ kind: 'run', id: runId, remove: true }];
  if (site.placement[cameraId]) changes.push({ kind: 'placement', id: cameraId, remove: true });
  if (site.choice[cameraId]) changes.push({ kind: 'choice', id: cameraId, remove: true });
  return [...changes, { kind: 'camera', id: cameraId, remove: true }];
}
