import {
  freeId,
  longestSegmentM,
  unseenPlace,
  withChanges,
  withFields,
  withSegment,
  type Change,
  type Drawing,
  type Pin,
  type Place,
  type Route,
  type Run,
  type Segment,
  type Site,
  type Spot,
} from '#core/model/site';
import { lengthClaims } from './lengthClaims';
import { drawnLength } from './routeLength';

type Picture = Pick<Drawing, 'fileId' | 'mediaType' | 'widthPx' | 'heightPx'>;

/** A hundredth of a pixel is finer than any hand; what is stored stays readable. */
const rounded = ({ x, y }: Spot): Spot => ({ x: Math.round(x * 100) / 100, y: Math.round(y * 100) / 100 });
const centimetres = (metres: number): number => Math.round(metres * 100) / 100;

/** The runs whose segments take their length from these drawn routes, with the lengths that these have now. */
function runsThatFollow(site: Site, isMoved: (route: Route) => boolean): Change[] {
  const moved = new Set(
    Object.values(site.route)
      .filter(isMoved)
      .map(({ id }) => id),
  );
  return Object.values(site.run).flatMap((run): Change[] => {
    let differs = false;
    const segments = run.segments.map((segment) => {
      if (segment.lengthFrom !== 'drawn' || !segment.routeIds?.some((id) => moved.has(id))) return segment;
      const drawn = drawnLength(site, segment.routeIds);
      if (!drawn || drawn.lengthM > longestSegmentM || centimetres(drawn.lengthM) === segment.lengthM)
        return segment;
      differs = true;
      return { ...segment, lengthM: centimetres(drawn.lengthM), spreadM: centimetres(drawn.spreadM) };
    });
    return differs ? [{ kind: 'run', id: run.id, set: { ...run, segments } }] : [];
  });
}

/** Changes to a drawing or its routes, and those of the segments that take their length from them. */
function withFollowers(site: Site, changes: Change[], isMoved: (route: Route) => boolean): Change[] {
  return [...changes, ...runsThatFollow(withChanges(site, changes), isMoved)];
}

export function addDrawing(
  site: Site,
  name: string,
  picture: Picture & Pick<Drawing, 'scale'>,
  mark?: string,
): Change {
  const id = freeId((wanted) => wanted in site.drawing, name, mark);
  return { kind: 'drawing', id, set: { id, name, ...picture } };
}

/** Sets two points of known distance; drawn segments follow. */
export function setScale(site: Site, drawing: Drawing, a: Spot, b: Spot, distanceM: number): Change[] {
  const set: Drawing = { ...drawing, scale: { a: rounded(a), b: rounded(b), distanceM } };
  return withFollowers(
    site,
    [{ kind: 'drawing', id: drawing.id, set }],
    (route) => route.drawingId === drawing.id,
  );
}

export const pinOf = (site: Pick<Site, 'pin'>, of: Pin['of']): Pin | undefined =>
  Object.values(site.pin).find((pin) => pin.of.kind === of.kind && pin.of.id === of.id);

/** Puts a thing on a drawing, or moves it there from wherever it stands. */
export function pinDown(site: Site, drawingId: string, of: Pin['of'], at: Spot, mark?: string): Change {
  const pin = pinOf(site, of);
  const id = pin?.id ?? freeId((wanted) => wanted in site.pin, `${of.kind}-${of.id}`, mark);
  return {
    kind: 'pin',
    id,
    set: {
      ...pin,
      id,
      drawingId,
      of,
      at: rounded(at),
      ...(of.kind === 'camera' && pin?.facesDegrees === undefined ? { facesDegrees: 0 } : {}),
    },
  };
}

/** A place that is noted by putting it on the drawing. */
export function addPlaceAt(
  site: Site,
  drawingId: string,
  name: string,
  role: Place['role'],
  at: Spot,
  mark?: string,
): { changes: Change[]; pinId: string } {
  const place: Place = { ...unseenPlace(site, name, mark), role };
  const pin = pinDown(site, drawingId, { kind: 'place', id: place.id }, at, mark);
  return { changes: [{ kind: 'place', id: place.id, set: place }, pin], pinId: pin.id };
}

export const movePin = (pin: Pin, at: Spot): Change => ({
  kind: 'pin',
  id: pin.id,
  set: { ...pin, at: rounded(at) },
});

/** Turns a camera on the drawing; degrees clockwise from the top of the paper. */
export const turnPin = (pin: Pin, degrees: number): Change => ({
  kind: 'pin',
  id: pin.id,
  set: { ...pin, facesDegrees: (Math.round((((degrees % 360) + 360) % 360) * 10) / 10) % 360 },
});

/** Usual slack on a drawn route until somebody says otherwise. Policy. */
const usualSlackPercent = 10;

export function addRoute(
  site: Site,
  drawingId: string,
  points: readonly Spot[],
  name: string,
  mark?: string,
): { change: Change; routeId: string } {
  const id = freeId((wanted) => wanted in site.route, name, mark);
  const set: Route = {
    id,
    drawingId,
    name,
    points: points.map(rounded),
    riseM: 0,
    slackPercent: usualSlackPercent,
  };
  return { change: { kind: 'route', id, set }, routeId: id };
}

/** Changes a route in some fields; every segment that is drawn along it follows. */
export function changeRoute(
  site: Site,
  route: Route,
  fields: Partial<Pick<Route, 'name' | 'points' | 'riseM' | 'slackPercent'>>,
): Change[] {
  const set: Route = { ...route, ...fields, points: (fields.points ?? route.points).map(rounded) };
  return withFollowers(site, [{ kind: 'route', id: route.id, set }], ({ id }) => id === route.id);
}

/** A segment without its routes keeps its length, as an estimate if that was drawn. */
function withoutRoutes(run: Run, index: number): Run {
  return {
    ...run,
    segments: run.segments.map((segment, at) => {
      if (at !== index) return segment;
      const { routeIds: _, ...rest } = segment;
      return rest.lengthFrom === 'drawn' ? { ...rest, lengthFrom: 'estimate' } : rest;
    }),
  };
}

/** Lets a segment follow these routes, in this order from the head end. An estimated length gives way to the drawn one. */
export function withRoutes(
  site: Pick<Site, 'route' | 'drawing'>,
  run: Run,
  index: number,
  routeIds: readonly string[],
): Run {
  if (routeIds.length === 0) return withoutRoutes(run, index);
  const drawn = drawnLength(site, routeIds);
  const segments = run.segments.map((segment, at) => {
    if (at !== index) return segment;
    const followed = { ...segment, routeIds: [...routeIds] };
    const takes =
      drawn !== null &&
      drawn.lengthM <= longestSegmentM &&
      (segment.lengthFrom === 'estimate' || segment.lengthFrom === 'drawn');
    return takes
      ? {
          ...followed,
          lengthFrom: 'drawn' as const,
          lengthM: centimetres(drawn.lengthM),
          spreadM: centimetres(drawn.spreadM),
        }
      : followed;
  });
  return { ...run, segments };
}

/** The change that lets a segment follow these routes. */
export const followRoutes = (
  site: Pick<Site, 'route' | 'drawing'>,
  run: Run,
  index: number,
  routeIds: readonly string[],
): Change => ({ kind: 'run', id: run.id, set: withRoutes(site, run, index, routeIds) });

/** A run with a segment's length by another way of knowing it; its figure is taken over where that way has one. */
export function withLengthBy(
  site: Pick<Site, 'route' | 'drawing'>,
  run: Run,
  index: number,
  lengthFrom: Segment['lengthFrom'],
): Run {
  const claim = lengthClaims(site, run.segments[index]!).find(({ by }) => by === lengthFrom);
  return withSegment(run, index, {
    lengthFrom,
    ...(claim ? { lengthM: centimetres(claim.lengthM), spreadM: centimetres(claim.spreadM) } : {}),
  });
}

/** Links that follow routes which go, without those; their lengths stay. */
const linksWithout = (site: Pick<Site, 'link'>, ids: ReadonlySet<string>): Change[] =>
  Object.values(site.link).flatMap((link): Change[] => {
    if (!link.routeIds?.some((id) => ids.has(id))) return [];
    const rest = link.routeIds.filter((id) => !ids.has(id));
    const set = withFields(link, { routeIds: rest.length > 0 ? rest : undefined });
    return [{ kind: 'link', id: link.id, set }];
  });

/** Takes routes away, from the segments and links that follow them too. */
function routeRemovals(site: Site, gone: readonly Route[]): Change[] {
  const ids = new Set(gone.map(({ id }) => id));
  const runs = Object.values(site.run).flatMap((run): Change[] => {
    const set = run.segments.reduce((so, { routeIds }, index) => {
      if (!routeIds?.some((id) => ids.has(id))) return so;
      const rest = routeIds.filter((id) => !ids.has(id));
      const bare = withoutRoutes(so, index);
      return rest.length === 0
        ? bare
        : {
            ...bare,
            segments: bare.segments.map((segment, at) =>
              at === index ? { ...segment, routeIds: rest } : segment,
            ),
          };
    }, run);
    return set === run ? [] : [{ kind: 'run', id: run.id, set }];
  });
  const removals = gone.map(({ id }): Change => ({ kind: 'route', id, remove: true }));
  return [...runs, ...linksWithout(site, ids), ...removals];
}

export const removeRoute = (site: Site, route: Route): Change[] => routeRemovals(site, [route]);

/** Takes a drawing away with everything that is drawn on it; what stands on it stays noted. */
export function removeDrawing(site: Site, drawing: Drawing): Change[] {
  const on = ({ drawingId }: { drawingId: string }) => drawingId === drawing.id;
  return [
    ...routeRemovals(site, Object.values(site.route).filter(on)),
    ...Object.values(site.pin)
      .filter(on)
      .map(({ id }): Change => ({ kind: 'pin', id, remove: true })),
    { kind: 'drawing', id: drawing.id, remove: true },
  ];
}

/** Runs whose one segment could follow a route that was drawn to their camera. */
export function runsEndingAt(site: Site, points: readonly Spot[], drawingId: string): Run[] {
  const ends = [points[0], points.at(-1)];
  const cameras = new Set(
    Object.values(site.pin)
      .filter(
        (pin) =>
          pin.drawingId === drawingId &&
          pin.of.kind === 'camera' &&
          ends.some((end) => end && end.x === pin.at.x && end.y === pin.at.y),
      )
      .map(({ of }) => of.id),
  );
  return Object.values(site.run).filter(({ cameraId }) => cameras.has(cameraId));
}
