import { sensors, type SensorId } from './sensors';

const degreesPerRadian = 180 / Math.PI;

/** Horizontal angle of view in degrees of a lens without distortion. Source: pinhole camera, 2·atan(w / 2f). */
export function viewDegrees(sensor: SensorId, focalMm: number): number {
  return 2 * Math.atan(sensors[sensor].widthMm / (2 * focalMm)) * degreesPerRadian;
}

/** Metres of a wall square to the view that fill the picture's width at this distance. Source: pinhole camera, d·w/f. */
export function viewWidthM(sensor: SensorId, focalMm: number, distanceM: number): number {
  return (distanceM * sensors[sensor].widthMm) / focalMm;
}

/** Picture pixels that a metre across the view gets at this distance. */
export function pixelsPerMetre(
  widthPixels: number,
  sensor: SensorId,
  focalMm: number,
  distanceM: number,
): number {
  return widthPixels / viewWidthM(sensor, focalMm, distanceM);
}

/**
 * The focal length in millimetres that keeps the view's angle on a sensor of another size.
 * Source: same angle, so f scales with the width.
 */
export function sameViewFocalMm(from: SensorId, focalMm: number, to: SensorId): number {
  return (focalMm * sensors[to].widthMm) / sensors[from].widthMm;
}

/** The edition whose steps are meant: a later one has others. */
export const viewClassesEdition = 'IEC 62676-4:2014';

/** What pixels per metre are good for, by the steps of that edition. */
export const viewPurposes = [
  { id: 'inspect', label: 'inspect', atLeast: 1000 },
  { id: 'identify', label: 'identify a stranger', atLeast: 250 },
  { id: 'recognise', label: 'recognise a known person', atLeast: 125 },
  { id: 'observe', label: 'observe what is done', atLeast: 62.5 },
  { id: 'detect', label: 'detect that somebody is there', atLeast: 25 },
  { id: 'monitor', label: 'monitor a crowd', atLeast: 12.5 },
] as const;

export const viewPurposeIds = viewPurposes.map(({ id }) => id);

/** The most demanding purpose that these pixels per metre serve; `undefined` below all of them. */
export function purposeServed(perMetre: number): (typeof viewPurposes)[number] | undefined {
  return viewPurposes.find(({ atLeast }) => perMetre >= atLeast);
}
