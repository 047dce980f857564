import { lengthFigure, lineKind, runLengthM } from '#core/findings';
import { poeClasses } from '#core/power';
import { linkConverters, type LinkConverter } from '#core/signal';
import type { Place } from '#core/site';
import { figure } from '#core/working';
import { impossible, possible, type Draft } from './build';
import type { Context } from './context';
import { channelMargin, coaxRateMargin, coaxWattsMargin, poeMargin, stretchesOf } from './margins';
import type { Impossible, Margin, Option, Possible } from './option';
import { ipCameraItem, labour } from './priceBook';

const isolate = 'Prove the run dead before cutting or joining.';
/** A class 4 port is what a converter is fed from: anything less starves the far end. */
const portWatts = poeClasses[4].sourceWatts;
/** The one kind of converter the tables hold. */
const converter: LinkConverter = linkConverters[0]!;

const ipSignal = ({ target }: Context): Possible['signal'] => ({ kind: 'ip', mbps: target.ip.mbps, megapixels: target.megapixels });

/** What keeps a coax from carrying Ethernet at all. */
function coaxObstacle(context: Context, kind: 'ip-coax-pair' | 'ip-coax-unit'): Impossible | undefined {
  if (lineKind(context.run) !== 'coax') return impossible(kind, 'not coax', 'The run is not coax all the way.');
  if (context.run.segments.some(({ joint }) => joint === 'splitter')) return impossible(kind, 'splitter', 'A splitter on the line blocks power and data; take it out first.');
  return undefined;
}

const coaxRemedy = ({ findings }: Context) => (binding: Margin): string =>
  binding.unit === 'W'
    ? `a camera of at most ${binding.value.toFixed(1)} W, or a loop well below the ${findings.coaxLoop.ohms.toFixed(1)} Ω there is; the old power pair can still carry a heater or lamp`
    : 'a shorter run, heavier coax or a lower stream rate';

function overCoax(context: Context, kind: 'ip-coax-pair' | 'ip-coax-unit', draft: Pick<Draft, 'parts' | 'work' | 'shared' | 'says'>, sourceLimitWatts: number): Option {
  // Field by field: spreading one object into the next costs as much as the sums, a thousand cameras over.
  return possible(context, {
    kind, work: draft.work, shared: draft.shared, says: draft.says,
    margins: [coaxWattsMargin(context, converter, sourceLimitWatts), coaxRateMargin(context, converter)],
    parts: [{ item: ipCameraItem(context.camera.target), count: 1 }, ...draft.parts],
    signal: ipSignal(context), remedy: coaxRemedy(context),
    cautions: [isolate, ...(context.place.environment === 'indoor' ? [] : ['Surge protection on outdoor copper.'])],
  });
}

/** One converter at each end; the head-end one is fed from a PoE port and takes its own watts out of it. */
export function ipCoaxPairOption(context: Context): Option {
  return coaxObstacle(context, 'ip-coax-pair') ?? overCoax(context, 'ip-coax-pair', {
    parts: [{ item: 'coax-converter', count: 2 }], work: [labour.swapIpCamera, labour.fitConverterPair],
    shared: { of: 'poe-switch', placeId: context.headEnd.id, sourceWatts: portWatts },
    says: 'A converter at each end; one PoE port of a switch feeds both and the camera.',
  }, portWatts - converter.ownWatts);
}

/** One converter at the camera, one port of a head-end unit that several cameras share. */
export function ipCoaxUnitOption(context: Context): Option {
  return coaxObstacle(context, 'ip-coax-unit') ?? overCoax(context, 'ip-coax-unit', {
    parts: [{ item: 'coax-converter', count: 1 }], work: [labour.swapIpCamera, labour.fitConverterToUnit],
    shared: { of: 'coax-unit', placeId: context.headEnd.id, sourceWatts: context.target.ip.nightWatts + converter.ownWatts },
    says: 'A converter at the camera and one port of a shared head-end unit.',
  }, portWatts);
}

const lookAlike = 'Copper-clad aluminium is outside the cabling standards; expect heat in bundles and brittle ends.';

/** PoE over the category cable that is there. */
export function ipCategoryOption(context: Context): Option {
  const { run, target, camera, headEnd } = context;
  if (lineKind(run) !== 'pair') return impossible('ip-category', 'no Cat', 'There is no category cable to this camera.');
  const { margin, sourceWatts } = poeMargin(stretchesOf(run), target.ip.nightWatts, lengthFigure(run));
  return possible(context, {
    kind: 'ip-category', margins: [channelMargin(runLengthM(run), lengthFigure(run).from), margin],
    parts: [{ item: ipCameraItem(camera.target), count: 1 }, { item: 'category-ends', count: 1 }], work: [labour.swapIpCamera, labour.preparePairEnds],
    shared: { of: 'poe-switch', placeId: headEnd.id, sourceWatts }, signal: ipSignal(context),
    says: 'The baluns come off; the cable is terminated, tested and fed from a PoE port.',
    cautions: run.segments.some(({ cable }) => cable.endsWith('cca')) ? [lookAlike, isolate] : [isolate],
    remedy: (binding) => (binding.unit === 'm' ? `a switch nearer by ${(binding.value - 100).toFixed(0)} m, in a closet with mains` : 'a camera of a lower class, or heavier cable'),
  });
}

interface Route { from: Place; lengthM: number; surveyed: boolean }

/** Where a new cable would come from: the surveyed route, else along the run from its head end. */
function routeOf({ site, run, place, headEnd }: Context): Route | Impossible {
  const { newRoute } = run;
  if (newRoute?.kind === 'closed') return impossible('new-category', 'no route', newRoute.why);
  if (place.restrictions.includes('heritage')) return impossible('new-category', 'listed', 'Listed building: no new surface cable here.');
  if (!newRoute) return { from: headEnd, lengthM: runLengthM(run), surveyed: false };
  const from = site.place[newRoute.fromPlaceId]!;
  if (!from.networkCloset) return impossible('new-category', 'no closet', `There is no network closet at ${from.name}.`);
  return { from, lengthM: newRoute.lengthM, surveyed: true };
}

/** A new Cat 6 cable by the route the survey noted, with its labour and making good. */
export function newCategoryOption(context: Context): Option {
  const route = routeOf(context);
  if ('state' in route) return route;
  const { target, camera, place } = context;
  const { from, lengthM, surveyed } = route;
  const length = figure('route', lengthM, 'm', surveyed ? 'noted' : 'typical');
  const { margin, sourceWatts } = poeMargin([{ cable: 'pair-cat6', lengthM, temperatureC: place.temperatureC }], target.ip.nightWatts, length);
  const pull = { hours: labour.pullCategoryStart.hours + labour.pullCategoryPerM.hours * lengthM, darkHours: 0 };
  return possible(context, {
    kind: 'new-category', margins: [channelMargin(lengthM, length.from), margin],
    parts: [{ item: ipCameraItem(camera.target), count: 1 }, { item: 'category-cable-m', count: Math.ceil(lengthM) }, { item: 'category-ends', count: 1 }],
    work: [labour.swapIpCamera, pull], shared: { of: 'poe-switch', placeId: from.id, sourceWatts }, signal: ipSignal(context),
    says: `${Math.ceil(lengthM)} m of Cat 6 from ${from.name}${surveyed ? '' : ', route not surveyed yet'}.`,
    cautions: ['Fire stopping and the cable’s fire rating wherever a route is opened.', ...(place.restrictions.includes('asbestos-register') ? ['Read the asbestos register before opening the ceiling.'] : [])],
    remedy: (binding) => (binding.unit === 'm' ? `a network closet with mains ${(binding.value - 100).toFixed(0)} m nearer, or fibre` : 'a camera of a lower class'),
  });
}
