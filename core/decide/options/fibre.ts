import { routeFactor, type Scenario } from '#core/test/scenarios';
import { productOf } from '#core/model/catalogue';
import type { ProductOf } from '#core/model/site';
import { fibreLossDb, fibreReachM, fibreRepairDb } from '#core/physics/signal';
import { formatQuantity } from '#core/shared/units';
import { figure, statusOf, unboundedUtilisation } from '#core/shared/derivation';
import { infeasible, feasible } from './build';
import type { Context } from './context';
import { fieldSwitchAt } from './fieldSwitch';
import {
  ipSignal,
  mainsObstacle,
  newCableCautions,
  newWay,
  removalOf,
  alongWay,
  fromTo,
  surveyOf,
  type NewWay,
} from './ip';
import { mains } from './mains';
import { newCable } from './newCable';
import type { Margin, Option } from './option';
import type { SharedThing } from './sharing';

const fibreYears = 10;

/** What an attenuator takes: they come in steps of this many dB. */
const attenuatorStepDb = 5;

type End = ProductOf<'fibre-end'>;

/** dB of attenuator without which so short a link blinds its receivers, by the least that it may lose. */
function attenuatorDb({ fibre, leastLossDb = 0 }: End, lengthM: number): number {
  const missing = leastLossDb - fibreLossDb(lengthM, fibre, 'good');
  return missing > 0 ? Math.ceil(missing / attenuatorStepDb) * attenuatorStepDb : 0;
}

/** What a meter shows: without the reserve for repair, and with plugs and splices as well or badly made as they turn out. */
function meteredDb(fibre: End['fibre'], lengthM: number, { joints }: Scenario): number {
  const [good, usual] = [fibreLossDb(lengthM, fibre, 'good'), fibreLossDb(lengthM, fibre)];
  return Math.max(good, usual + ((usual - good) / 2) * joints);
}

/** Light carries any distance here, so the budget in dB is what has to hold, with what a repair will take of it. */
function lossMargin(
  { fibre, budgetDb }: End,
  lengthM: number,
  surveyed: boolean,
  attenuated: number,
): Margin {
  const lossAt = (metres: number): number => fibreLossDb(metres, fibre) + fibreRepairDb + attenuated;
  const lossDb = lossAt(lengthM);
  const length = figure('route', lengthM, 'm', surveyed ? 'noted' : 'typical');
  return {
    kind: 'light-loss',
    label: 'light lost',
    unit: 'dB',
    value: lossDb,
    utilisation: lossDb / budgetDb,
    status: statusOf(lossDb / budgetDb),
    basis: 'typical',
    unread: false,
    under: (scenario) => lossAt(lengthM * routeFactor(scenario)) / budgetDb,
    valueUnder: (scenario) => meteredDb(fibre, lengthM * routeFactor(scenario), scenario) + attenuated,
    derivation: () => ({
      title: `Light lost, ${formatQuantity(lossDb, 'dB')}`,
      steps: [
        {
          message: 'Fibre, connectors, splices, and a reserve for repair',
          formula: 'fibre-loss',
          inputs: [
            length,
            figure('for repair', fibreRepairDb, 'dB', 'policy'),
            ...(attenuated > 0 ? [figure('attenuator', attenuated, 'dB', 'computed')] : []),
          ],
          result: figure('loss', lossDb, 'dB', 'typical'),
        },
      ],
      limit: { sense: 'at-most', figure: figure('budget of the converters', budgetDb, 'dB', 'typical') },
      conclusion: lossDb <= budgetDb ? 'Within the budget.' : 'Too far for these converters.',
    }),
  };
}

/** In multimode fibre the modes run apart with the metres, whatever light arrives. */
function reachMargin({ fibre = 'os2', mbps }: End, lengthM: number, surveyed: boolean): Margin[] {
  const reachM = fibreReachM(fibre, mbps);
  if (!Number.isFinite(reachM)) return [];
  const utilisation = reachM > 0 ? lengthM / reachM : unboundedUtilisation;
  return [
    {
      kind: 'light-reach',
      label: 'length of multimode',
      unit: 'm',
      value: lengthM,
      utilisation,
      status: statusOf(utilisation),
      basis: 'typical',
      unread: false,
      under: (scenario) => utilisation * routeFactor(scenario),
      derivation: () => ({
        title: `Multimode fibre, ${formatQuantity(lengthM, 'm')}`,
        steps: [
          {
            message: `${fibre.toUpperCase()} at ${formatQuantity(mbps, 'Mb/s')}`,
            formula: 'against-limit',
            inputs: [figure('route', lengthM, 'm', surveyed ? 'noted' : 'typical')],
            result: figure('reaches', reachM, 'm', 'standard'),
          },
        ],
        limit: { sense: 'at-most', figure: figure('longest', reachM, 'm', 'standard') },
        conclusion:
          utilisation <= 1 ? 'Within reach.' : 'Too far for this grade; single mode has no such end.',
      }),
    },
  ];
}

const blinds = 'So short a link blinds its receivers: the attenuators go in before the ends are lit.';

/** One pair of fibres with a converter at each end serves every camera of its place. */
function sharedFibre(
  { place, around, need }: Context,
  { from, lengthM }: NewWay,
  attenuated: number,
  among: number,
): SharedThing {
  const longestM = Math.max(lengthM, around.routeFrom(from.id).lengthM);
  return {
    key: `fibre ${from.id} ${place.id}`,
    kind: 'way',
    placeId: place.id,
    label: `Fibre ${fromTo(from, place)}`,
    parts: [
      { item: 'fibre-end', count: 2 },
      newCable('fibre', longestM, place, from),
      { item: 'fibre-splices', count: 1 },
      ...(attenuated > 0 ? [{ item: 'fibre-attenuator', count: 2 }] : []),
    ],
    tasks: [
      { item: 'pull-cable-m', count: longestM },
      { item: 'splice-fibre', count: 1 },
    ],
    need: 1,
    capacity: 'all',
    free: 0,
    among,
    port: { placeId: from.id, mbps: need.ip.mbps },
    way: { medium: 'fibre', fromPlaceId: from.id, lengthM: longestM },
  };
}

/** Fibre carries no power, so the camera hangs on the mains where it is. */
export function fibreOption(context: Context): Option {
  const {
    place,
    need: { ip },
    catalogue,
  } = context;
  if (!place.mains)
    return infeasible(
      'fibre',
      'no mains',
      `Fibre carries no power, and there is no mains at ${place.name}.`,
      `mains at ${place.name}, by a licensed person`,
    );
  const way = newWay(context, 'fibre');
  if ('state' in way) return way;
  const { from, lengthM, surveyed } = way;
  const obstacle = mainsObstacle('fibre', from, 'media converter');
  if (obstacle) return obstacle;
  const end = productOf(catalogue, 'fibre-end', 'fibre-end');
  // The fibre is one for its place: as long as the longest way there.
  const sharedM = Math.max(lengthM, context.around.routeFrom(from.id).lengthM);
  const attenuated = attenuatorDb(end, sharedM);
  const camera = context.newCameras.ip;
  const fibre = sharedFibre(context, way, attenuated, context.around.routeFrom(from.id).cameras);
  return feasible(context, {
    kind: 'fibre',
    margins: [lossMargin(end, lengthM, surveyed, attenuated), ...reachMargin(end, lengthM, surveyed)],
    parts: [...camera.parts, { item: 'poe-injector', count: 1 }],
    work: [...camera.work, ...surveyOf(way), ...removalOf(context)],
    sharing: [...alongWay(context, way), fibre, fieldSwitchAt(context, fibre)],
    signal: ipSignal(context),
    megapixels: ip.product.megapixels,
    lifeYears: fibreYears,
    fedLocally: true,
    newCableM: lengthM,
    showsAt: [place.id, from.id],
    message: `${Math.ceil(lengthM)} m of fibre from ${from.name}; the camera is fed where it is.`,
    cautions: [
      'Laser light: never look into a fibre end.',
      ...(attenuated > 0 ? [blinds] : []),
      mains,
      ...newCableCautions(context),
    ],
    remedy: (binding) =>
      binding.kind === 'light-reach'
        ? 'single mode fibre and its converters'
        : 'converters with a larger budget',
  });
}
