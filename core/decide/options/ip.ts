import { productOf } from '#core/model/catalogue';
import { poeClasses } from '#core/physics/power';
import { soundJointLossDb } from '#core/physics/signal';
import { runLengthM, type Place } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import { figure } from '#core/shared/derivation';
import { soundCaution, vandalProof } from './analog';
import { infeasible, feasible, type Draft } from './build';
import { withPort } from './strongPort';
import type { Context } from './context';
import { ampsOf, drawsOf, heaterLoads } from './draws';
import { gearObstacle, lineObstacle } from './lineObstacle';
import {
  channelMargin,
  coaxHoldsAt,
  coaxRateMargin,
  coaxSourceWatts,
  coaxWattsMargin,
  poeMargin,
} from './margins';
import { portShareCautions } from './portShare';
import { leadsOn, newCloset } from './newCloset';
import { newCable, newCopperBetweenEarths, surgeProtection } from './newCable';
import type { InfeasibleOption, Margin, Option, FeasibleOption } from './option';
import type { Part } from './part';
import type { SharedThing } from './sharing';

export const isolate = 'Prove the run dead before cutting or joining.';
export const surge = 'Surge protection on outdoor copper.';
/** A class 4 port is what a converter is fed from: anything less starves the far end. Of its watts the first device may take so many. */
const { sourceWatts: portWatts, deviceWatts: firstDeviceWatts } = poeClasses[4];

/** Years until converters and cameras are due. Judgement. */
export const coaxIpYears = 8;
export const cableIpYears = 9;

export const ipSignal = ({ need: { ip } }: Context): FeasibleOption['signal'] => ({
  kind: 'ip',
  mbps: ip.mbps,
  megapixels: ip.product.megapixels,
});
/** What a view asks of its model, by whether it wants sound and has to withstand blows. */
const wishes = [
  [[], [vandalProof]],
  [[soundCaution], [soundCaution, vandalProof]],
] as const;
/** What its view asks of the model, beside its figures. */
export const wishesOf = ({ need }: Context): readonly string[] =>
  wishes[need.audio ? 1 : 0][need.vandal ? 1 : 0];

/** Where gear stands it needs mains. */
export function mainsObstacle(
  kind: FeasibleOption['kind'],
  place: Place,
  gear: string,
): InfeasibleOption | undefined {
  return place.mains
    ? undefined
    : infeasible(
        kind,
        'no mains',
        `There is no mains at ${place.name} for a ${gear}.`,
        `an outlet at ${place.name}, by a licensed person`,
      );
}

/** What keeps a coax from carrying Ethernet at all. */
function coaxObstacle(context: Context, kind: 'ip-coax-pair' | 'ip-coax-unit'): InfeasibleOption | undefined {
  return (
    lineObstacle(context, kind, 'coax') ??
    gearObstacle(context, kind, ({ passes }) => passes.data && passes.dc) ??
    mainsObstacle(kind, context.headEnd, kind === 'ip-coax-unit' ? 'head-end unit' : 'PoE switch')
  );
}

/** How the new coax ends are made: crimped, or twisted on, which loses more. Typical losses; twist-on ends need no tool. */
const newEnds = {
  crimp: { task: 'join-crimp', lossDb: soundJointLossDb, caution: undefined },
  'twist-on': {
    task: 'join-twist',
    lossDb: 0.5,
    caution: 'Twist-on ends loosen and corrode; look at them every year.',
  },
} as const;
/** How new coax ends are made under a policy. */
export const newEndsOf = ({ joints }: Context['policies']) => newEnds[joints];
const endCount = 2;

/** The power that is there can go on feeding a heater while the coax carries camera and data. */
function heaterOnOldPair(
  context: Context,
  spare: (needWatts: number) => Margin,
): { margin: Margin; message: string; draws: FeasibleOption['draws']; cautions: string[] } {
  const {
    need: { ip },
    run,
  } = context;
  const whole = spare(ip.nightWatts);
  const without =
    ip.heaterWatts > 0 && run.feed.kind !== 'local-adapter' && whole.status === 'fails'
      ? spare(ip.nightWatts - ip.heaterWatts)
      : undefined;
  if (!without || without.status === 'fails')
    return { margin: whole, message: '', draws: null, cautions: [] };
  return {
    margin: without,
    message: ` The heater stays on the old power pair.`,
    draws: drawsOf(context, ampsOf(context, heaterLoads(context, ip.heaterWatts))),
    cautions: ['The old pair stays live for the heater: label it at both ends.'],
  };
}

/** What would make too few watts or Mb/s enough: a camera that takes less, or a shorter coax. */
function coaxRemedy(
  { findings, need: { ip, lamps }, run }: Context,
  binding: Margin,
  holdsAt: (share: number) => boolean,
): string {
  const shorter = shorterByM(runLengthM(run), holdsAt);
  const bySo = shorter === null ? [] : [`a run ${formatQuantity(shorter, 'm')} shorter`];
  if (binding.kind !== 'watts')
    return [`a stream of at most ${formatQuantity(binding.value, 'Mb/s')}`, 'heavier coax', ...bySo].join(
      ', or ',
    );
  const hasPair = run.feed.kind !== 'local-adapter';
  const poeClass = poeClasses.find(
    (row) => row.poeClass > 0 && row.deviceWatts <= binding.value && row.poeClass < 4,
  );
  const ways = [
    `a camera of at most ${formatQuantity(binding.value, 'W')}${poeClass ? ` (class ${poeClass.poeClass})` : ''}`,
    `a loop well below the ${formatQuantity(findings.coaxLoop.ohms, 'Ω')} there is`,
    ...(hasPair && ip.heaterWatts > 0
      ? ['the old power pair for the heater']
      : hasPair && lamps
        ? ['the old power pair for lamps beside the camera']
        : []),
    ...bySo,
  ];
  return ways.join(', or ');
}

/** Metres by which a run is too long for what it has to carry; `null` where no length would do. */
function shorterByM(lengthM: number, holdsAt: (share: number) => boolean): number | null {
  let [holds, fails] = [0, 1];
  if (!holdsAt(holds)) return null;
  while ((fails - holds) * lengthM > 0.5) {
    const middle = (holds + fails) / 2;
    if (holdsAt(middle)) holds = middle;
    else fails = middle;
  }
  return Math.ceil(lengthM * (1 - holds));
}

function overCoax(
  context: Context,
  kind: 'ip-coax-pair' | 'ip-coax-unit',
  draft: Pick<Draft, 'parts' | 'work' | 'shared' | 'message'>,
  sourceLimitWatts: number,
): Option {
  const {
    need: { ip },
    policies,
    place,
    catalogue,
  } = context;
  const converter = productOf(catalogue, 'coax-converter', 'converter');
  const ends = newEndsOf(policies);
  const camera = context.newCameras.ip;
  const power = heaterOnOldPair(context, (needWatts) =>
    coaxWattsMargin(context, converter, sourceLimitWatts, needWatts),
  );
  return withPort(
    context,
    feasible(context, {
      kind,
      shared: draft.shared,
      message: draft.message + power.message,
      lifeYears: coaxIpYears,
      megapixels: ip.product.megapixels,
      draws: power.draws,
      showsAt: [place.id],
      work: [...camera.work, ...draft.work, { item: ends.task, count: endCount }],
      margins: [power.margin, coaxRateMargin(context, converter, endCount * ends.lossDb)],
      parts: [...camera.parts, ...draft.parts],
      signal: ipSignal(context),
      remedy: (binding) =>
        coaxRemedy(
          context,
          binding,
          coaxHoldsAt(context, converter, sourceLimitWatts, endCount * ends.lossDb),
        ),
      cautions: [
        isolate,
        ...power.cautions,
        ...portShareCautions(context, draft.shared, portWatts),
        ...(ends.caution ? [ends.caution] : []),
        ...(place.environment === 'indoor' ? [] : [surge]),
        ...wishesOf(context),
      ],
    }),
  );
}

/** One converter at each end; the head-end one is fed from a PoE port and takes its own watts out of it. */
export function ipCoaxPairOption(context: Context): Option {
  const { ownWatts } = productOf(context.catalogue, 'coax-converter', 'converter');
  return (
    coaxObstacle(context, 'ip-coax-pair') ??
    overCoax(
      context,
      'ip-coax-pair',
      {
        parts: [{ item: 'coax-converter', count: 2 }],
        work: ['fit-converter-pair'],
        shared: {
          of: 'poe-switch',
          placeId: context.headEnd.id,
          sourceWatts: portWatts,
          mbps: context.need.ip.mbps,
        },
        message: 'A converter at each end; one PoE port of a switch feeds both and the camera.',
      },
      firstDeviceWatts - ownWatts,
    )
  );
}

/** One converter at the camera, one port of a head-end unit that several cameras share. */
export function ipCoaxUnitOption(context: Context): Option {
  const { ownWatts } = productOf(context.catalogue, 'coax-converter', 'converter');
  return (
    coaxObstacle(context, 'ip-coax-unit') ??
    overCoax(
      context,
      'ip-coax-unit',
      {
        parts: [{ item: 'coax-converter', count: 1 }],
        work: ['fit-converter-to-unit'],
        shared: {
          of: 'coax-unit',
          placeId: context.headEnd.id,
          // After a power cut all start together: the unit has to give that.
          sourceWatts: coaxSourceWatts(context, context.need.ip.startUpWatts + ownWatts, portWatts),
          nightWatts: coaxSourceWatts(context, context.need.ip.nightWatts + ownWatts, portWatts),
          mbps: context.need.ip.mbps,
        },
        message: 'A converter at the camera and one port of a shared head-end unit.',
      },
      portWatts,
    )
  );
}

/** Metres by which a channel is too long. */
export const tooLongM = ({ value, utilisation }: Margin): string =>
  Math.ceil(value - value / utilisation).toFixed(0);

export interface NewWay {
  from: Place;
  lengthM: number;
  surveyed: boolean;
  /** It comes from a place that has no closet yet. */
  opensCloset: boolean;
}

/** Where a new cable would come from: the surveyed route, else along the run from its head end. */
export function newWay(
  { site, run, place, headEnd }: Context,
  kind: 'new-category' | 'field-switch' | 'fibre',
): NewWay | InfeasibleOption {
  const { newRoute } = run;
  if (newRoute?.kind === 'closed')
    return infeasible(kind, 'no route', newRoute.why, 'a route that is found and agreed');
  if (place.restrictions.includes('heritage'))
    return infeasible(
      kind,
      'listed',
      'Listed building: no new surface cable here.',
      'consent of whoever protects the building, or the cable that is there',
    );
  if (!newRoute) return { from: headEnd, lengthM: runLengthM(run), surveyed: false, opensCloset: false };
  const from = site.place[newRoute.fromPlaceId]!;
  const opensCloset = !from.networkCloset;
  if (opensCloset && !(from.mains && leadsOn(site.link, from)))
    return infeasible(
      kind,
      'no closet',
      `There is no network closet at ${from.name}, and ${from.mains ? 'no link that leads on from there' : 'no mains for one'}.`,
      from.mains
        ? `a link from ${from.name} noted or planned in Connect; then a closet is opened there`
        : `mains at ${from.name}, by a licensed person, and a link that leads on`,
    );
  return { from, lengthM: newRoute.lengthM, surveyed: true, opensCloset };
}

/** The old cable is left where it is, or taken out with the new one going in. */
export const removalOf = ({ policies, run }: Context): Part[] =>
  policies.oldCable === 'remove' ? [{ item: 'remove-old-cable-m', count: runLengthM(run) }] : [];

/** A way that nobody has walked is walked first, for each camera that takes it. */
export const surveyOf = ({ surveyed }: NewWay): string[] => (surveyed ? [] : ['survey-route']);

/** Where a way leads; one to cameras of the place that it begins at stays there. */
export const fromTo = (from: Place, to: Place): string =>
  from.id === to.id ? `at ${to.name}` : `from ${from.name} to ${to.name}`;

/** The way itself: containment, fire stopping and setting up serve every cable that goes the same way to the same place. */
function sharedRoute({ place, around }: Context, { from, lengthM }: NewWay): SharedThing {
  const { lengthM: longestM, cameras } = around.routeFrom(from.id);
  return {
    key: `route ${from.id} ${place.id}`,
    kind: 'route',
    placeId: place.id,
    label: `Route ${fromTo(from, place)}`,
    parts: [
      { item: 'containment-m', count: Math.ceil(Math.max(lengthM, longestM)) },
      { item: 'making-good', count: 1 },
    ],
    tasks: [{ item: 'pull-cable-start', count: 1 }],
    need: 1,
    capacity: 'all',
    free: 0,
    among: cameras,
  };
}

/** What whoever comes along a way shares: the way itself, and the closet that is opened at its start. */
export const alongWay = (context: Context, way: NewWay): SharedThing[] => [
  sharedRoute(context, way),
  ...(way.opensCloset ? [newCloset(context, way.from)] : []),
];

/** What any new cable along a way asks people to mind. */
export const newCableCautions = (context: Context): string[] => [
  'Fire stopping and the cable’s fire rating wherever a route is opened.',
  ...(context.place.restrictions.includes('asbestos-register')
    ? ['Read the asbestos register before opening the ceiling.']
    : []),
  ...wishesOf(context),
];

/** A new Cat 6 cable by the route the survey noted, with its labour and making good. */
export function newCategoryOption(context: Context): Option {
  const way = newWay(context, 'new-category');
  if ('state' in way) return way;
  const { from, lengthM, surveyed } = way;
  const obstacle = mainsObstacle('new-category', from, 'PoE switch');
  if (obstacle) return obstacle;
  const {
    need: { ip },
    place,
  } = context;
  const length = figure('route', lengthM, 'm', surveyed ? 'noted' : 'typical');
  const stretches = [{ cable: 'pair-cat6', lengthM, temperatureC: place.temperatureC }];
  const { margin, sourceWatts } = poeMargin(stretches, ip, length);
  const camera = context.newCameras.ip;
  const surges = surgeProtection(place, from);
  const earths = newCopperBetweenEarths(context, from);
  return withPort(
    context,
    feasible(context, {
      kind: 'new-category',
      margins: [
        channelMargin(stretches, length.from, lengthM * (surveyed ? 0.02 : 0.1)),
        margin,
        ...earths.margins,
      ],
      parts: [
        ...camera.parts,
        newCable('category', lengthM, place, from),
        { item: 'category-ends', count: 1 },
        ...surges.parts,
      ],
      work: [...camera.work, { item: 'pull-cable-m', count: lengthM }, ...removalOf(context), ...surges.work],
      sharing: alongWay(context, way),
      cautions: [...surges.cautions, ...earths.cautions, ...newCableCautions(context)],
      shared: { of: 'poe-switch', placeId: from.id, sourceWatts, mbps: ip.mbps },
      signal: ipSignal(context),
      megapixels: ip.product.megapixels,
      lifeYears: cableIpYears,
      newCableM: lengthM,
      showsAt: [place.id, from.id],
      message: `${Math.ceil(lengthM)} m of Cat 6 from ${way.opensCloset ? 'a closet that is opened at ' : ''}${from.name}${surveyed ? '' : ', route not surveyed yet'}.`,
      remedy: (binding) =>
        binding.kind === 'channel'
          ? `a network closet with mains ${tooLongM(binding)} m nearer, or fibre`
          : 'a camera of a lower class',
    }),
  );
}
