import type { Spot } from '#core/model/site';

/** Lines of the arc; enough that it looks round at any size. */
const steps = 16;

/** A point so many pixels away, at degrees clockwise from the top of the paper. */
export function atBearing(from: Spot, degrees: number, px: number): Spot {
  const radians = (degrees * Math.PI) / 180;
  return { x: from.x + px * Math.sin(radians), y: from.y - px * Math.cos(radians) };
}

/** Degrees clockwise from the top of the paper under which one point is seen from another, from 0 to under 360. */
export function bearing(from: Spot, to: Spot): number {
  const degrees = (Math.atan2(to.x - from.x, from.y - to.y) * 180) / Math.PI;
  return ((degrees % 360) + 360) % 360;
}

/** What a camera sees on the plan: its spot, then an arc at its reach over its angle of view. */
export function viewWedge(at: Spot, facesDegrees: number, viewDegrees: number, reachPx: number): Spot[] {
  const first = facesDegrees - viewDegrees / 2;
  return [
    at,
    ...Array.from({ length: steps + 1 }, (_, step) =>
      atBearing(at, first + (viewDegrees * step) / steps, reachPx),
    ),
  ];
}
