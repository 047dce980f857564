import type { Pin, Route, Site, Spot } from '#core/model/site';
import { distancePx } from './scale';

/** A spot that others are drawn to: where something stands, or a bend of a route. */
export interface Anchor {
  at: Spot;
  pin: Pin | null;
}

export function anchorsOn(site: Pick<Site, 'pin' | 'route'>, drawingId: string): Anchor[] {
  const pins = Object.values(site.pin)
    .filter((pin) => pin.drawingId === drawingId)
    .map((pin): Anchor => ({ at: pin.at, pin }));
  const bends = Object.values<Route>(site.route)
    .filter((route) => route.drawingId === drawingId)
    .flatMap(({ points }) => points.map((at): Anchor => ({ at, pin: null })));
  return [...pins, ...bends];
}

/** The nearest anchor within reach; things before bends where both are as near. `null` where none is. */
export function nearestAnchor(anchors: readonly Anchor[], spot: Spot, withinPx: number): Anchor | null {
  let best: { anchor: Anchor; px: number } | null = null;
  for (const anchor of anchors) {
    const px = distancePx(anchor.at, spot);
    if (px <= withinPx && (!best || px < best.px)) best = { anchor, px };
  }
  return best?.anchor ?? null;
}

/** A spot kept on one of the eight main directions from the one before it, for straight walls. */
export function squared(from: Spot, to: Spot): Spot {
  const step = Math.PI / 4;
  const angle = Math.round(Math.atan2(to.y - from.y, to.x - from.x) / step) * step;
  const along = (to.x - from.x) * Math.cos(angle) + (to.y - from.y) * Math.sin(angle);
  return { x: from.x + along * Math.cos(angle), y: from.y + along * Math.sin(angle) };
}
