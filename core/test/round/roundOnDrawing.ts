import type { Drawing, Site, Spot } from '#core/model/site';
import type { RoundStop } from './planRound';

/** A stop where it stands on a drawing; `number` is its turn. */
export interface StopSpot {
  number: number;
  stop: RoundStop;
  at: Spot;
}

/** A round on one drawing, and how many of its stops are not on it. */
export interface RoundOnDrawing {
  drawing: Drawing;
  spots: StopSpot[];
  elsewhere: number;
}

const middle = (spots: readonly Spot[]): Spot => ({
  x: spots.reduce((sum, { x }) => sum + x, 0) / spots.length,
  y: spots.reduce((sum, { y }) => sum + y, 0) / spots.length,
});

type Pinned = Pick<Site, 'pin' | 'run' | 'drawing' | 'recorder'>;

/** Where a stop is on a drawing: amid the cameras that are tested there, else at its place's own pin, or at a recorder's there. */
function spotOf(site: Pinned, stop: RoundStop, drawingId: string): Spot | null {
  const pins = Object.values(site.pin).filter((pin) => pin.drawingId === drawingId);
  const cameraIds = new Set(stop.tests.map(({ runId }) => site.run[runId]?.cameraId));
  const cameras = pins.filter(({ of }) => of.kind === 'camera' && cameraIds.has(of.id));
  if (stop.at === 'camera' && cameras.length > 0) return middle(cameras.map(({ at }) => at));
  const place = pins.find(({ of }) => of.kind === 'place' && of.id === stop.placeId);
  const recorder = pins.find(
    ({ of }) => of.kind === 'recorder' && site.recorder[of.id]?.placeId === stop.placeId,
  );
  return (place ?? recorder)?.at ?? null;
}

/** The drawing that shows most stops of a round, with them on it; nothing where none shows any. */
export function roundOnDrawing(site: Pinned, stops: readonly RoundStop[]): RoundOnDrawing | null {
  const on = Object.values(site.drawing).map((drawing): RoundOnDrawing => {
    const spots = stops.flatMap((stop, index): StopSpot[] => {
      const at = spotOf(site, stop, drawing.id);
      return at ? [{ number: index + 1, stop, at }] : [];
    });
    return { drawing, spots, elsewhere: stops.length - spots.length };
  });
  return on.reduce<RoundOnDrawing | null>(
    (most, one) => (one.spots.length > (most?.spots.length ?? 0) ? one : most),
    null,
  );
}
