import type { Camera, Site } from '#core/model/site';

/** Cameras of the old site whose cable nobody has noted yet. Cameras of the network hang on none. */
export function camerasWithoutRun({
  camera,
  run,
  networkCamera,
}: Pick<Site, 'camera' | 'run' | 'networkCamera'>): Camera[] {
  const withRun = new Set(Object.values(run).map(({ cameraId }) => cameraId));
  return Object.values(camera).filter(({ id }) => !withRun.has(id) && !networkCamera[id]);
}
