import { pixelsPerMetre, purposeServed, viewDegrees, viewWidthM } from '#core/physics/optics';
import type { Camera, Recorder, Site, TargetClassId } from '#core/model/site';

/** Pixels across a picture by its format. Composite has the 704 that are seen of its 720 samples a line (ITU-R BT.601). */
const widthPixels: Record<string, number> = {
  cvbs: 704,
  cvbs960: 960,
  hdsdi: 1920,
  hd720: 1280,
  hd1080: 1920,
  hd4mp: 2560,
  hd5mp: 2592,
  hd8mp: 3840,
};

/** Pixels across the picture of a successor by its class, 16:9. */
const successorPixels: Record<TargetClassId, number> = {
  'fixed-2mp': 1920,
  'fixed-4mp': 2560,
  'fixed-8mp': 3840,
  'turning-4mp': 2560,
};

/** How finely something at the target is seen. */
export interface Sharpness {
  perMetre: number;
  purpose: string | null;
}

/** What a camera sees of its target: how wide, and how finely now and with a successor whose lens keeps the view. */
export interface ViewFigures {
  degrees: number;
  atTarget: { distanceM: number; widthM: number; now: Sharpness; after: Sharpness } | null;
}

/** Pixels across that are kept of a camera's picture today: what its recorder stores, and never more than it sends. */
function keptAcross(format: string, recorder: Pick<Recorder, 'storesAcross'> | undefined): number {
  const sent = widthPixels[format] ?? widthPixels['cvbs']!;
  return Math.min(sent, recorder?.storesAcross ?? sent);
}

/** The recorder that a camera is on today, where it is noted. */
export function recorderOf(
  { run, recorder }: Pick<Site, 'run' | 'recorder'>,
  cameraId: string,
): Recorder | undefined {
  const patched = Object.values(run).find((one) => one.cameraId === cameraId)?.patchedTo;
  return patched && recorder[patched.recorderId];
}

/**
 * The view through a camera's lens; `null` while its lens is not noted. What is seen now is what the recorder keeps of it, since
 * that is what anybody looks at afterwards.
 */
export function viewFigures(
  { lens, targetM, format, target }: Pick<Camera, 'lens' | 'targetM' | 'format' | 'target'>,
  recorder?: Pick<Recorder, 'storesAcross'>,
): ViewFigures | null {
  if (!lens) return null;
  const degrees = viewDegrees(lens.sensor, lens.focalMm);
  if (targetM === undefined) return { degrees, atTarget: null };
  const sharpness = (pixels: number): Sharpness => {
    const perMetre = pixelsPerMetre(pixels, lens.sensor, lens.focalMm, targetM);
    return { perMetre, purpose: purposeServed(perMetre)?.label ?? null };
  };
  return {
    degrees,
    atTarget: {
      distanceM: targetM,
      widthM: viewWidthM(lens.sensor, lens.focalMm, targetM),
      now: sharpness(keptAcross(format, recorder)),
      after: sharpness(successorPixels[target]),
    },
  };
}
