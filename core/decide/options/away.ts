import { fadeDb, loadFactor, routeFactor } from '#core/test/scenarios';
import { productOf } from '#core/model/catalogue';
import {
  channelMHz,
  clearShare,
  fresnelRadiusM,
  rankChannels,
  rateAtDb,
  receivedDbm,
} from '#core/physics/wireless';
import { fibreLossDb, fibreRepairDb } from '#core/physics/signal';
import { formatQuantity } from '#core/shared/units';
import { figure, unboundedUtilisation, statusOf } from '#core/shared/derivation';
import { infeasible, feasible } from './build';
import type { Context } from './context';
import { ipCamera, ipSignal, newWay, pulling, wishesOf } from './ip';
import { newCable } from './newCable';
import type { Margin, Option } from './option';

const mains = 'Mains work and fixed wiring: a licensed person, by local code.';
const fibreYears = 10;
const radioYears = 6;

/** Light carries any distance here, so the budget in dB is what has to hold, with what a repair will take of it. */
function fibreMargin(lengthM: number, surveyed: boolean, budgetDb: number): Margin {
  const lossDb = fibreLossDb(lengthM) + fibreRepairDb;
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
    under: (scenario) => (fibreLossDb(lengthM * routeFactor(scenario)) + fibreRepairDb) / budgetDb,
    derivation: () => ({
      title: `Light lost, ${formatQuantity(lossDb, 'dB')}`,
      steps: [
        {
          message: 'Fibre, connectors, splices, and a reserve for repair',
          formula: 'fibre-loss',
          inputs: [length, figure('for repair', fibreRepairDb, 'dB', 'policy')],
          result: figure('loss', lossDb, 'dB', 'typical'),
        },
      ],
      limit: { sense: 'at-most', figure: figure('budget of the converters', budgetDb, 'dB', 'typical') },
      conclusion: lossDb <= budgetDb ? 'Within the budget.' : 'Too far for these converters.',
    }),
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
  const end = productOf(catalogue, 'fibre-end', 'fibre-end');
  const { parts, work, cautions } = pulling(context, lengthM);
  return feasible(context, {
    kind: 'fibre',
    margins: [fibreMargin(lengthM, surveyed, end.budgetDb)],
    parts: [
      ipCamera(context),
      { item: end.id, count: 2 },
      { item: 'poe-injector', count: 1 },
      newCable('fibre', lengthM, place, from),
      { item: 'fibre-splices', count: 1 },
      ...parts,
    ],
    work: [...work, 'splice-fibre'],
    signal: ipSignal(context),
    megapixels: ip.product.megapixels,
    lifeYears: fibreYears,
    fedLocally: true,
    newCableM: lengthM,
    showsAt: [place.id, from.id],
    message: `${Math.ceil(lengthM)} m of fibre from ${from.name}; the camera is fed where it is.`,
    cautions: ['Laser light: never look into a fibre end.', mains, ...cautions],
    remedy: () => 'converters with a larger budget',
  });
}

/** Level that is kept for fading: more over water, which mirrors the beam. Source: usual practice of fixed links. */
const fadeMarginDb = { land: 10, water: 15 } as const;

/** The quietest channel of the 5 GHz band, and what the link carries on it. */
function radioMargins(context: Context): { margins: Margin[]; message: string } | undefined {
  const { radioPath, catalogue, mbpsAtPlace, site } = context;
  if (!radioPath) return undefined;
  const radio = productOf(catalogue, 'radio', 'radio');
  const [best] = rankChannels('5', radioPath.heard);
  const levelDbm = receivedDbm(radio, radioPath, best!.frequencyMHz);
  const overWater = [radioPath.fromPlaceId, radioPath.toPlaceId].some(
    (id) => site.place[id]?.environment === 'marine',
  );
  const keptDb = fadeMarginDb[overWater ? 'water' : 'land'];
  const rate = rateAtDb(levelDbm - best!.floorDbm - keptDb);
  const wanted = mbpsAtPlace();
  const utilisation = rate > 0 ? wanted / rate : unboundedUtilisation;
  const margins: Margin[] = [
    {
      kind: 'radio-rate',
      label: 'rate by radio',
      unit: 'Mb/s',
      value: rate,
      utilisation,
      status: statusOf(utilisation),
      basis: 'typical',
      unread: false,
      // Fading and neighbours who come home are what the margin is kept for; only what is more counts beside it.
      under: (scenario) => {
        const held = rateAtDb(levelDbm - best!.floorDbm - Math.max(keptDb, fadeDb(scenario)));
        return held > 0 ? (wanted * loadFactor('typical', scenario)) / held : unboundedUtilisation;
      },
      derivation: () => ({
        title: `Rate by radio, ${formatQuantity(rate, 'Mb/s')}`,
        steps: [
          {
            message: `Level on channel ${best!.channel}, ${formatQuantity(best!.frequencyMHz, 'MHz')}`,
            formula: 'wireless-level',
            inputs: [figure('way', radioPath.distanceM, 'm', 'noted')],
            result: figure('over noise and neighbours', levelDbm - best!.floorDbm, 'dB', 'computed'),
          },
          {
            message: overWater ? 'Kept for fading over water' : 'Kept for fading',
            formula: 'fade-margin',
            inputs: [
              figure('over noise and neighbours', levelDbm - best!.floorDbm, 'dB', 'computed'),
              figure('kept', keptDb, 'dB', 'policy'),
            ],
            result: figure('to count with', levelDbm - best!.floorDbm - keptDb, 'dB', 'computed'),
          },
          {
            message: 'What every camera there streams, on one shared air',
            formula: 'shared-airtime',
            inputs: [figure('link carries', rate, 'Mb/s', 'computed')],
            result: figure('wanted', wanted, 'Mb/s', 'typical'),
          },
        ],
        limit: { sense: 'at-least', figure: figure('all cameras there stream', wanted, 'Mb/s', 'typical') },
        conclusion:
          utilisation <= 1
            ? 'Carries the cameras of this place together.'
            : 'Does not carry the cameras of this place together.',
      }),
    },
  ];
  if (radioPath.clearanceM !== undefined) {
    const needM =
      clearShare * fresnelRadiusM(radioPath.distanceM / 2, radioPath.distanceM / 2, best!.frequencyMHz);
    const have = radioPath.clearanceM;
    const used = have > 0 ? needM / have : unboundedUtilisation;
    margins.push({
      kind: 'clearance',
      label: 'room for the beam',
      unit: 'm',
      value: have,
      utilisation: used,
      status: statusOf(used),
      basis: 'measured',
      unread: false,
      under: () => used,
      derivation: () => ({
        title: `Room for the beam, ${formatQuantity(have, 'm', 1)}`,
        steps: [
          {
            message: '60 % of the first Fresnel zone, half way',
            formula: 'fresnel',
            inputs: [
              figure('way', radioPath.distanceM, 'm', 'noted'),
              figure('there is', have, 'm', 'measured'),
            ],
            result: figure('wanted', needM, 'm', 'computed'),
          },
        ],
        limit: { sense: 'at-least', figure: figure('wanted', needM, 'm', 'computed') },
        conclusion: used <= 1 ? 'The beam is clear.' : 'Something stands in the beam.',
      }),
    });
  }
  const crowded = rankChannels('2.4', radioPath.heard)[0]!;
  const message = `Channel ${best!.channel} at 5 GHz is the quietest (${best!.neighbours} heard near it); the quietest at ${formatQuantity(channelMHz(crowded.channel), 'MHz')} has ${crowded.neighbours}.`;
  return { margins, message };
}

/** A radio at each end; every camera of the place shares the air between them. */
export function wirelessOption(context: Context): Option {
  const {
    place,
    need: { ip },
    radioPath,
    site,
  } = context;
  if (!place.mains)
    return infeasible(
      'wireless',
      'no mains',
      `A radio needs power, and there is no mains at ${place.name}.`,
      `mains at ${place.name}, by a licensed person`,
    );
  const found = radioMargins(context);
  if (!found || !radioPath)
    return infeasible(
      'wireless',
      'not noted',
      `Nobody has noted a radio path from ${place.name}: distance, sight and who is on the air.`,
      'a look from roof to roof and a survey of the bands',
    );
  if (radioPath.sight === 'blocked')
    return infeasible(
      'wireless',
      'no sight',
      `${place.name} does not see ${site.place[radioPath.toPlaceId]!.name}.`,
      'a mast, or a third point that sees both',
    );
  return feasible(context, {
    kind: 'wireless',
    margins: found.margins,
    parts: [ipCamera(context), { item: 'radio', count: 2 }, { item: 'poe-injector', count: 1 }],
    work: ['swap-ip-camera', 'hang-radios'],
    signal: ipSignal(context),
    megapixels: ip.product.megapixels,
    lifeYears: radioYears,
    fedLocally: true,
    showsAt: [place.id, radioPath.toPlaceId],
    message: found.message,
    cautions: [
      'Local radio rules limit power and channels, and ask some channels to give way to radar.',
      mains,
      surge,
      ...wishesOf(context),
    ],
    remedy: (binding) =>
      binding.kind === 'clearance'
        ? 'higher masts, or what stands in the beam cut back'
        : 'fewer or smaller streams, a shorter hop, or aerials with more gain',
  });
}
const surge = 'Surge protection and earthing of masts.';

/** No camera any more; the customer has to agree to the view lost. */
export function retireOption(context: Context): Option {
  const { camera } = context;
  if (!camera.mayGo)
    return infeasible(
      'retire',
      'not agreed',
      'Nobody has agreed to lose this view.',
      'the customer’s word, noted with the camera',
    );
  return feasible(context, {
    kind: 'retire',
    margins: [],
    parts: [],
    work: ['take-down'],
    signal: { kind: 'none' },
    megapixels: 0,
    lifeYears: 100,
    renew: [],
    message: `The view “${camera.purpose || camera.name}” is given up, as agreed.`,
    cautions: [
      'Write down who agreed that this view is lost.',
      'Isolate its supply before it comes down; never lift a camera by its lead.',
    ],
    remedy: () => '',
  });
}
