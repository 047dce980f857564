import { cameraLoad, loadVoltAmps, type CameraLoad } from '#core/physics/power';
import { worstLoad } from '#core/test/findings';
import type { Camera } from '#core/model/site';
import type { ViewNeed } from '#core/model/views';

/** Volts that loads are compared at. */
const nominalVolts = { dc: 12, ac: 24 } as const;

/**
 * The most that a view may ask of what feeds it now: by the camera that is there, or by one that may come on the same cores. Whoever shares a
 * lead with others is decided on before they are, so that none of them may turn out to ask for more.
 */
export function heaviestLoad(camera: Camera, { ip, hd }: Pick<ViewNeed, 'ip' | 'hd'>): CameraLoad {
  const { current } = camera.supply;
  const loads = [
    worstLoad(camera),
    ...[ip, hd].map(({ nightWatts, heaterWatts }) => cameraLoad(nightWatts, current, heaterWatts)),
  ];
  const asked = (load: CameraLoad): number => loadVoltAmps(load, nominalVolts[current]);
  return loads.reduce((most, load) => (asked(load) > asked(most) ? load : most));
}
