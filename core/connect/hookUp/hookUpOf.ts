import type { FeasibleOption } from '#core/decide/options';
import type { Topology } from '#core/connect/topology';
import type { Site } from '#core/model/site';
import { hookUpAfter } from './hookUpAfter';
import { hookUpToday } from './hookUpToday';
import type { Gauge } from './runLine';
import type { HookUp } from './types';

/** How a camera is connected today, and when its choice is done; nothing for the second while nothing is chosen. */
export interface HookUpPair {
  today: HookUp;
  after: HookUp | null;
}

/** The hook-ups of one run. `topology` is that of when all is done. */
export function hookUpOf(
  site: Site,
  runId: string,
  option: FeasibleOption | undefined,
  { devices, cameras }: Topology,
  gauge: Gauge,
): HookUpPair {
  const run = site.run[runId]!;
  const camera = site.camera[run.cameraId]!;
  const end = cameras.find(({ cameraId }) => cameraId === camera.id);
  const today = hookUpToday(site, run, camera, gauge);
  if (!option || (!end && option.kind !== 'retire')) return { today, after: null };
  const device = devices.find(({ id }) => id === end?.deviceId);
  // A retired camera has no end any more; nothing of its drawing asks for one.
  const drawn = { site, run, camera, option, end: end!, device, gauge };
  return { today, after: hookUpAfter(drawn) };
}
