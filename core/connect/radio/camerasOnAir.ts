import type { Camera, RadioPath, Site } from '#core/model/site';
import { viewNeed } from '#core/model/views';

/** The cameras at the end of a radio path: they share its air. */
export const camerasOnAir = ({ camera }: Pick<Site, 'camera'>, { fromPlaceId }: RadioPath): Camera[] =>
  Object.values(camera).filter(({ placeId }) => placeId === fromPlaceId);

/** What they send together, in Mb/s. */
export const mbpsOnAir = (site: Site, path: RadioPath): number =>
  camerasOnAir(site, path).reduce(
    (sum, camera) => sum + (site.networkCamera[camera.id]?.mbps ?? viewNeed(site, camera).ip.mbps),
    0,
  );
