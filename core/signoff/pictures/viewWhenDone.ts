import { networkCameraNeeds } from '#core/decide/options';
import { viewFigures } from '#core/model/views';
import { cameraFor, catalogueOf } from '#core/model/catalogue';
import { pixelsAcross, widthAcrossM } from '#core/physics/optics';
import { optionRow, type Camera, type OptionKind, type Site } from '#core/model/site';

/** A view as it will be recorded when all is done. */
export interface ViewWhenDone {
  distanceM: number;
  /** Pixels that fall on a metre at the target, and across the whole picture. */
  perMetre: number;
  acrossPixels: number;
}

type ViewSite = Pick<Site, 'placement' | 'recorder' | 'camera' | 'choice' | 'product'>;

/** A view in the picture of a wide camera that sees two. */
function inWidePicture(
  site: ViewSite,
  seeing: Camera,
  acrossDegrees: number,
  distanceM: number | undefined,
): ViewWhenDone | null {
  if (distanceM === undefined) return null;
  const acrossPixels = pixelsAcross(cameraFor(catalogueOf(site), seeing, 'ip').megapixels);
  return { distanceM, acrossPixels, perMetre: acrossPixels / widthAcrossM(acrossDegrees, distanceM) };
}

/** What a camera of the network puts on its target; `null` while lens or target are not noted. */
export function viewOnNetwork(camera: Camera, megapixels: number): ViewWhenDone | null {
  const atTarget = viewFigures(camera)?.atTarget;
  if (!atTarget) return null;
  const acrossPixels = pixelsAcross(megapixels);
  return { distanceM: atTarget.distanceM, acrossPixels, perMetre: acrossPixels / atTarget.widthM };
}

/** The view that a camera sees beside its own once all is done. */
const seenBeside = ({ camera, choice }: ViewSite, cameraId: string): Camera | undefined =>
  Object.values(camera).find(
    ({ id, seenFrom }) => seenFrom?.cameraId === cameraId && choice[id]?.option === 'shared-view',
  );

/** What a camera puts on its target by what was chosen for it; `null` while lens or target are not noted. A camera that stays is no finer than its recorder keeps it. */
export function viewWhenDone(site: ViewSite, camera: Camera, chosen: OptionKind): ViewWhenDone | null {
  const { placement, recorder } = site;
  const { seenFrom } = camera;
  if (chosen === 'shared-view')
    return (
      (seenFrom &&
        inWidePicture(site, site.camera[seenFrom.cameraId]!, seenFrom.acrossDegrees, seenFrom.targetM)) ??
      null
    );
  const beside = seenBeside(site, camera.id)?.seenFrom;
  if (beside && !optionRow(chosen).keepsCamera)
    return inWidePicture(site, camera, beside.acrossDegrees, camera.targetM);
  const keptBy = recorder[placement[camera.id]?.recorderId ?? ''];
  const atTarget = viewFigures(camera, keptBy)?.atTarget;
  if (!atTarget) return null;
  const { distanceM, widthM, now, after } = atTarget;
  const { perMetre } = optionRow(chosen).keepsCamera ? now : after;
  return { distanceM, perMetre, acrossPixels: perMetre * widthM };
}

/** What a camera of a site puts on its target once all is done, whatever it hangs on; `null` while it is not decided as well. */
export function viewOfCamera(site: Site, camera: Camera): ViewWhenDone | null {
  const onNetwork = networkCameraNeeds(site).find((one) => one.camera.id === camera.id);
  if (onNetwork) return viewOnNetwork(camera, onNetwork.signal.megapixels);
  const chosen = site.choice[camera.id]?.option;
  return chosen ? viewWhenDone(site, camera, chosen) : null;
}
