import { viewFigures } from '#core/model/views';
import { optionRow, type Camera, type OptionKind, type Site } from '#core/model/site';

/** A view as it will be recorded when all is done. */
export interface ViewWhenDone {
  distanceM: number;
  /** Pixels that fall on a metre at the target, and across the whole picture. */
  perMetre: number;
  acrossPixels: number;
}

/** What a camera puts on its target by what was chosen for it; `null` while lens or target are not noted. A camera that stays is no finer than its recorder keeps it. */
export function viewWhenDone(
  { placement, recorder }: Pick<Site, 'placement' | 'recorder'>,
  camera: Camera,
  chosen: OptionKind,
): ViewWhenDone | null {
  const keptBy = recorder[placement[camera.id]?.recorderId ?? ''];
  const atTarget = viewFigures(camera, keptBy)?.atTarget;
  if (!atTarget) return null;
  const { distanceM, widthM, now, after } = atTarget;
  const { perMetre } = optionRow(chosen).keepsCamera ? now : after;
  return { distanceM, perMetre, acrossPixels: perMetre * widthM };
}
