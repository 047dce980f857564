import type { Drawing, Route, Site } from '#core/model/site';
import { distancePx, metresPerPixel } from './scale';

/** What a length off a plan may be wrong by, as a share of itself: hand, paper and the bends that nobody draws. Policy. */
const drawnSpreadShare = 0.05;

/** Pixels along a route's points. */
export function routePx({ points }: Pick<Route, 'points'>): number {
  return points.slice(1).reduce((sum, point, index) => sum + distancePx(points[index]!, point), 0);
}

/**
 * Metres of cable along a route: what is drawn, and what rises and drops, with slack on both.
 * `null` while the drawing has no scale.
 */
export function routeLengthM(
  route: Pick<Route, 'points' | 'riseM' | 'slackPercent'>,
  drawing: Pick<Drawing, 'scale'>,
): number | null {
  const scale = metresPerPixel(drawing);
  return scale === null ? null : (routePx(route) * scale + route.riseM) * (1 + route.slackPercent / 100);
}

export interface DrawnLength {
  lengthM: number;
  spreadM: number;
}

/** Length of a segment that follows these routes one after the other; `null` where one has no scale or there is none. */
export function drawnLength(
  site: Pick<Site, 'route' | 'drawing'>,
  routeIds: readonly string[] | undefined,
): DrawnLength | null {
  if (!routeIds || routeIds.length === 0) return null;
  let lengthM = 0;
  for (const id of routeIds) {
    const route = site.route[id];
    const along =
      route && site.drawing[route.drawingId] ? routeLengthM(route, site.drawing[route.drawingId]!) : null;
    if (along === null) return null;
    lengthM += along;
  }
  return lengthM > 0 ? { lengthM, spreadM: Math.min(500, lengthM * drawnSpreadShare) } : null;
}
