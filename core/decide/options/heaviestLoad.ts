import { cameraLoad, loadVoltAmps, type CameraLoad } from '#core/physics/power';
import { worstLoad } from '#core/test/findings';
import type { Camera } from '#core/model/site';
import type { CameraFigures, ViewNeed } from '#core/model/views';
import { acConverter } from './hdFeed';

/** Volts that loads are compared at. */
const nominalVolts = { dc: 12, ac: 24 } as const;

/** What a new camera asks of a rail of a kind, its converter included where it takes the other. */
const newLoad = ({ nightWatts, heaterWatts, supply }: CameraFigures, current: 'dc' | 'ac'): CameraLoad =>
  current === 'ac' && supply.current === 'dc'
    ? cameraLoad(nightWatts / acConverter.efficiency, current)
    : cameraLoad(nightWatts, current, heaterWatts);

/**
 * The most that a view may ask of what feeds it now: by the camera that is there, or by one that may come on the same cores. Whoever shares a
 * lead with others is decided on before they are, so that none of them may turn out to ask for more.
 */
export function heaviestLoad(camera: Camera, { ip, hd }: Pick<ViewNeed, 'ip' | 'hd'>): CameraLoad {
  const { current } = camera.supply;
  const loads = [worstLoad(camera), newLoad(ip, current), newLoad(hd, current)];
  const asked = (load: CameraLoad): number => loadVoltAmps(load, nominalVolts[current]);
  return loads.reduce((most, load) => (asked(load) > asked(most) ? load : most));
}
