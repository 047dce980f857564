import { hookUpOnNetwork, type HookUps } from '#core/connect/hookUp';
import type { Site } from '#core/model/site';
import type { SiteEvaluation } from './evaluateSite';
import { hookUpOfRun } from './hookUpOfRun';
import { networkAt } from './networkAt';

/** How a camera is connected today and when all is done, on a run of the old site or on the network; `null` where there is no such camera. */
export function hookUpOfCamera(
  site: Site,
  evaluation: SiteEvaluation,
  cameraId: string,
  gauge: 'awg' | 'mm2',
): HookUps | null {
  const own = evaluation.runs.find(({ camera }) => camera.id === cameraId);
  if (own) return hookUpOfRun(site, evaluation, own.run.id, gauge);
  if (!(cameraId in site.networkCamera)) return null;
  const at = (kind: 'today' | 'after') =>
    hookUpOnNetwork(site, cameraId, networkAt(site, evaluation, { kind }).topology, kind);
  return { today: at('today'), after: at('after') };
}
