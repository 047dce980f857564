import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  applyChanges,
  type Change,
  type Drawing,
  type Pin,
  type Route,
  type Run,
  type Site,
  type Spot,
} from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import {
  addDrawing,
  addPlaceAt,
  addRoute,
  anchorsOn,
  atBearing,
  bearing,
  changeRoute,
  distancePx,
  drawnLength,
  followRoutes,
  lengthClaims,
  lengthDisputes,
  metresPerPixel,
  paperScale,
  movePin,
  nearestAnchor,
  pinDown,
  removeDrawing,
  removeRoute,
  routeLengthM,
  runsEndingAt,
  setScale,
  squared,
  turnPin,
  viewWedge,
  withLengthBy,
} from '.';

const picture = { fileId: 'a'.repeat(64), mediaType: 'image/svg+xml' as const, widthPx: 1000, heightPx: 800 };
const demo = saltmarrowSite();
/** The demo before anybody drew anything. */
const empty: Site = {
  ...demo,
  drawing: {},
  pin: {},
  route: {},
  photo: {},
  run: Object.fromEntries(
    Object.values(demo.run).map((run) => [
      run.id,
      { ...run, segments: run.segments.map(({ routeIds: _, marks: _marks, ...segment }) => segment) },
    ]),
  ),
};
const after = (site: Site, changes: Change[]): Site => {
  const applied = applyChanges(site, changes);
  if (applied.kind === 'refused') throw new Error(JSON.stringify(applied.problems));
  return applied.value.site;
};
const plan = addDrawing(empty, 'Ground floor', picture);
const drawn = after(empty, [plan]);
const drawing = (site: Site): Drawing => site.drawing['ground-floor']!;
/** 100 px are 20 m. */
const scaled = after(drawn, setScale(drawn, drawing(drawn), { x: 0, y: 0 }, { x: 60, y: 80 }, 20));
const { change, routeId } = addRoute(
  scaled,
  'ground-floor',
  [
    { x: 0, y: 0 },
    { x: 100, y: 0 },
    { x: 100, y: 50 },
  ],
  'Hall tray',
);
const routed = after(scaled, [change]);
const route = (site: Site): Route => site.route[routeId]!;
const spot = fc.record({
  x: fc.double({ min: 0, max: 1000, noNaN: true }),
  y: fc.double({ min: 0, max: 800, noNaN: true }),
});

describe('the scale', () => {
  it('is the metres between two points over their pixels', () =>
    expect(metresPerPixel(drawing(scaled))).toBeCloseTo(0.2, 12));
  it('is not there before two points are set, nor from one point twice', () => {
    expect(metresPerPixel(drawing(drawn))).toBeNull();
    expect(metresPerPixel({ scale: { a: { x: 1, y: 1 }, b: { x: 1, y: 1 }, distanceM: 4 } })).toBeNull();
  });
});

describe('a route', () => {
  it('is as long as it is drawn, plus rises, plus slack on both', () => {
    expect(routeLengthM({ ...route(routed), riseM: 0, slackPercent: 0 }, drawing(routed))).toBeCloseTo(30, 9);
    expect(routeLengthM({ ...route(routed), riseM: 6, slackPercent: 10 }, drawing(routed))).toBeCloseTo(
      39.6,
      9,
    );
    expect(routeLengthM(route(routed), drawing(drawn))).toBeNull();
  });
  it('never gets shorter by a bend, a rise or slack', () => {
    fc.assert(
      fc.property(
        fc.array(spot, { minLength: 2, maxLength: 8 }),
        spot,
        fc.nat(50),
        fc.nat(50),
        (points, bend, riseM, slackPercent) => {
          const plainM = routeLengthM({ points, riseM: 0, slackPercent: 0 }, drawing(scaled))!;
          expect(
            routeLengthM(
              { points: [points[0]!, bend, ...points.slice(1)], riseM, slackPercent },
              drawing(scaled),
            )!,
          ).toBeGreaterThanOrEqual(plainM - 1e-9);
        },
      ),
    );
  });
  it('is shared by the segments that follow it, and they follow when it moves', () => {
    let site = routed;
    for (const id of ['r01', 'r02'])
      site = after(site, [
        followRoutes(
          site,
          {
            ...site.run[id]!,
            segments: site.run[id]!.segments.map((segment) => ({ ...segment, lengthFrom: 'estimate' })),
          },
          0,
          [routeId],
        ),
      ]);
    expect(['r01', 'r02'].map((id) => site.run[id]!.segments[0])).toMatchObject([
      { lengthFrom: 'drawn', lengthM: 33 },
      { lengthFrom: 'drawn', lengthM: 33 },
    ]);
    const longer = after(site, changeRoute(site, route(site), { riseM: 10 }));
    expect(['r01', 'r02'].map((id) => longer.run[id]!.segments[0]!.lengthM)).toEqual([44, 44]);
    const rescaled = after(longer, setScale(longer, drawing(longer), { x: 0, y: 0 }, { x: 100, y: 0 }, 40));
    expect(rescaled.run['r01']!.segments[0]!.lengthM).toBe(77);
  });
  it('leaves a marked length alone', () => {
    const site = after(routed, [followRoutes(routed, routed.run['r01']!, 0, [routeId])]);
    expect(site.run['r01']!.segments[0]).toMatchObject({
      lengthFrom: 'jacket-marks',
      lengthM: 34,
      routeIds: [routeId],
    });
  });
  it('taken away leaves lengths as estimates, and nothing that leads nowhere', () => {
    const run: Run = {
      ...routed.run['r01']!,
      segments: [{ ...routed.run['r01']!.segments[0]!, lengthFrom: 'estimate' }],
    };
    const site = after(routed, [followRoutes(routed, run, 0, [routeId])]);
    const link = { ...site.link['hall-office-fibre']!, routeIds: [routeId] };
    const linked = after(site, [{ kind: 'link', id: link.id, set: link }]);
    const gone = after(linked, removeRoute(linked, route(linked)));
    expect(gone.link[link.id]).toEqual(demo.link[link.id]);
    expect(applyChanges(gone, [{ kind: 'link', id: link.id, set: link }]).kind, 'a route that is gone').toBe(
      'refused',
    );
    expect(gone.run['r01']!.segments[0]).toMatchObject({ lengthFrom: 'estimate', lengthM: 33 });
    expect(gone.run['r01']!.segments[0]!.routeIds).toBeUndefined();
    const bare = after(site, removeDrawing(site, drawing(site)));
    expect([bare.route, bare.drawing, bare.pin]).toEqual([{}, {}, {}]);
  });
  it('in the demo they tell what the jackets tell, but for one run', () => {
    const disputed = Object.values(demo.run).filter((run) => lengthDisputes(demo, run).length > 0);
    expect(disputed.map(({ id }) => id)).toEqual(['r19']);
    expect(drawnLength(demo, demo.run['r12']!.segments[1]!.routeIds)!.lengthM).toBeCloseTo(362, 0);
  });
  it('finds the run whose camera it ends at', () => {
    const site = after(routed, [
      pinDown(routed, 'ground-floor', { kind: 'camera', id: 'c03' }, { x: 100, y: 50 }),
    ]);
    expect(runsEndingAt(site, route(site).points, 'ground-floor').map(({ id }) => id)).toEqual(['r03']);
  });
});

describe('lengths that contradict each other', () => {
  const following = after(routed, [followRoutes(routed, routed.run['r01']!, 0, [routeId])]);
  const withMeasured = (lengthM: number, spreadM: number): Run => ({
    ...following.run['r01']!,
    segments: [
      {
        ...following.run['r01']!.segments[0]!,
        measured: { lengthM, spreadM },
        marks: { head: 100, far: 134, unit: 'm' },
      },
    ],
  });
  it('are all known', () => {
    expect(lengthClaims(following, withMeasured(35, 1).segments[0]!)).toEqual([
      { by: 'drawn', lengthM: expect.closeTo(33, 9) as number, spreadM: expect.closeTo(1.65, 9) as number },
      { by: 'jacket-marks', lengthM: 34, spreadM: 1 },
      { by: 'reflectometer', lengthM: 35, spreadM: 1 },
    ]);
  });
  it('agree within twice their spreads, and are named beyond', () => {
    expect(lengthDisputes(following, withMeasured(35, 1))).toEqual([]);
    // 34 and 36.85 are 2.85 m apart; twice the root of 1 + 1 is 2.83.
    expect(lengthDisputes(following, withMeasured(36.85, 1)).map(({ a, b }) => [a.by, b.by])).toEqual([
      ['jacket-marks', 'reflectometer'],
    ]);
    expect(lengthDisputes(following, withMeasured(60, 1))).toHaveLength(2);
  });
  it('are taken over by the way that is to count, where it knows one', () => {
    const by = (lengthFrom: 'drawn' | 'jacket-marks' | 'reflectometer' | 'estimate') =>
      withLengthBy(following, withMeasured(35.126, 1), 0, lengthFrom).segments[0]!;
    expect(
      [by('drawn'), by('jacket-marks'), by('reflectometer')].map(({ lengthM, spreadM }) => [
        lengthM,
        spreadM,
      ]),
    ).toEqual([
      [33, 1.65],
      [34, 1],
      [35.13, 1],
    ]);
    // An estimate is nobody's figure: what stood there stays.
    expect(by('estimate')).toMatchObject({ lengthFrom: 'estimate', lengthM: 34 });
  });
  it('say nothing where there is only one', () =>
    expect(lengthDisputes(drawn, drawn.run['r01']!)).toEqual([]));
  it('a route without a scale tells no length', () =>
    expect(drawnLength({ route: routed.route, drawing: drawn.drawing }, [routeId])).toBeNull());
});

describe('things on a drawing', () => {
  it('stand once, wherever they are put last', () => {
    const once = after(routed, [
      pinDown(routed, 'ground-floor', { kind: 'camera', id: 'c01' }, { x: 10, y: 10 }),
    ]);
    const turned = after(once, [turnPin(Object.values(once.pin)[0]!, -45)]);
    const again = after(turned, [
      pinDown(turned, 'ground-floor', { kind: 'camera', id: 'c01' }, { x: 20, y: 30.005 }),
    ]);
    expect(Object.values(again.pin)).toMatchObject([{ at: { x: 20, y: 30.01 }, facesDegrees: 315 }]);
  });
  it('may be a place that is noted by being put there', () => {
    const { changes, pinId } = addPlaceAt(routed, 'ground-floor', 'Stair closet', 'closet', { x: 5, y: 5 });
    const site = after(routed, changes);
    expect(site.place['stair-closet']).toMatchObject({ role: 'closet', assumed: true });
    expect(site.pin[pinId]).toMatchObject({ of: { kind: 'place', id: 'stair-closet' } });
    expect(site.pin[pinId]!.facesDegrees).toBeUndefined();
  });
  it('turn to any degree and stay between 0 and 360', () => {
    const pin: Pin = {
      id: 'p',
      drawingId: 'ground-floor',
      of: { kind: 'camera', id: 'c01' },
      at: { x: 0, y: 0 },
    };
    fc.assert(
      fc.property(fc.double({ min: -5000, max: 5000, noNaN: true }), (degrees) => {
        const { set } = turnPin(pin, degrees) as { set: Pin };
        expect(set.facesDegrees).toBeGreaterThanOrEqual(0);
        expect(set.facesDegrees).toBeLessThan(360);
      }),
    );
    expect(movePin(pin, { x: 1.234567, y: 2 })).toMatchObject({ set: { at: { x: 1.23, y: 2 } } });
  });
  it('draw the hand to them when it is near', () => {
    const site = after(routed, [
      pinDown(routed, 'ground-floor', { kind: 'camera', id: 'c01' }, { x: 100, y: 50 }),
    ]);
    const anchors = anchorsOn(site, 'ground-floor');
    expect(nearestAnchor(anchors, { x: 104, y: 53 }, 8)).toMatchObject({
      at: { x: 100, y: 50 },
      pin: { of: { id: 'c01' } },
    });
    expect(nearestAnchor(anchors, { x: 104, y: 53 }, 4)).toBeNull();
  });
});

describe('directions', () => {
  const far: Spot = { x: 300, y: 200 };
  it('a bearing leads where it was taken', () => {
    fc.assert(
      fc.property(spot, (to) => {
        fc.pre(distancePx(far, to) > 1);
        const there = atBearing(far, bearing(far, to), distancePx(far, to));
        expect(distancePx(there, to)).toBeLessThan(1e-6);
      }),
    );
  });
  it('up the paper is 0, right is 90', () =>
    expect([bearing(far, { x: 300, y: 0 }), bearing(far, { x: 400, y: 200 })]).toEqual([0, 90]));
  it('a wedge opens by the angle of view and reaches as far as asked', () => {
    const [apex, ...arc] = viewWedge(far, 350, 40, 50);
    expect(apex).toEqual(far);
    for (const point of arc) expect(distancePx(far, point)).toBeCloseTo(50, 9);
    expect([bearing(far, arc[0]!), bearing(far, arc.at(-1)!)]).toEqual([
      expect.closeTo(330, 6),
      expect.closeTo(10, 6),
    ]);
  });
  it('a squared line runs along one of eight directions', () => {
    expect(squared({ x: 0, y: 0 }, { x: 100, y: 7 })).toMatchObject({
      x: expect.closeTo(100, 6) as number,
      y: expect.closeTo(0, 6) as number,
    });
    const diagonal = squared({ x: 0, y: 0 }, { x: 100, y: 90 });
    expect(diagonal.x).toBeCloseTo(diagonal.y, 9);
  });
});

describe('paperScale', () => {
  it('of an A3 sheet at 1 to 100 makes its 420 mm 42 m wide, whatever the picture’s pixels', () => {
    for (const widthPx of [1000, 4000]) {
      const scale = paperScale({ widthPx }, 420, 100);
      expect(metresPerPixel({ scale })! * widthPx).toBeCloseTo(42, 9);
    }
  });
});
