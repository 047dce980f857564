import type { Camera, RadioPath, Site } from '#core/model/site';
import { viewNeed } from '#core/model/views';

/** The cameras at the end of a radio path: they share its air. */
export const camerasOnAir = ({ camera }: Pick<Site, 'camera'>, { fromPlaceId }: RadioPath): Camera[] =>
  Object.values(camera).filter(({ placeId }) => placeId === fromPlaceId);

/** What is noted of what a camera sends that stays as it is. */
const notedMbps = ({ networkCamera }: Pick<Site, 'networkCamera'>, id: string): number | undefined =>
  networkCamera[id]?.replaced ? undefined : networkCamera[id]?.mbps;

/** What they send together when all is done, in Mb/s. */
export const mbpsOnAir = (site: Site, path: RadioPath): number =>
  camerasOnAir(site, path).reduce(
    (sum, camera) => sum + (notedMbps(site, camera.id) ?? viewNeed(site, camera).ip.mbps),
    0,
  );
