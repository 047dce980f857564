import type { FeasibleOption } from '#core/decide/options';
import type { Topology } from '#core/connect/topology';
import { hasOwnCamera, type Run, type Site } from '#core/model/site';
import { hookUpAfter } from './hookUpAfter';
import { hookUpToday } from './hookUpToday';
import type { Gauge } from './runLine';
import type { HookUp, HookUps } from './types';

/** The same of a camera of the old site, which is there today. */
export interface HookUpPair extends HookUps {
  today: HookUp;
}

/** Whoever opens a cable that others share darkens them too. */
function sharedCable({ sheath, run, camera }: Site, own: Run): string[] {
  return Object.values(sheath).flatMap(({ name, members }) => {
    if (!members.some(({ runId }) => runId === own.id)) return [];
    const others = members
      .filter(({ runId }) => runId !== own.id)
      .map(({ runId }) => camera[run[runId]!.cameraId]!.number)
      .sort((a, b) => a - b);
    return [
      `${name} carries camera${others.length > 1 ? 's' : ''} ${others.join(', ')} on other pairs: find the pairs by tone before anything is cut or unscrewed.`,
    ];
  });
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
  const shared = sharedCable(site, run);
  const withShared = (hookUp: HookUp): HookUp => ({ ...hookUp, cautions: [...hookUp.cautions, ...shared] });
  const today = withShared(hookUpToday(site, run, camera, gauge));
  if (!option || (!end && hasOwnCamera(option.kind))) return { today, after: null };
  const device = devices.find(({ id }) => id === end?.deviceId);
  // A retired camera has no end any more; nothing of its drawing asks for one.
  const drawn = { site, run, camera, option, end: end!, device, gauge };
  return { today, after: withShared(hookUpAfter(drawn)) };
}
