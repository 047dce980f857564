import { figure, statusOf } from '#core/shared/derivation';
import { formatQuantity } from '#core/shared/units';
import { feasible, infeasible } from './build';
import type { Context } from './context';
import {
  alongWay,
  ipSignal,
  mainsObstacle,
  newCableCautions,
  newWay,
  removalOf,
  surveyOf,
  type NewWay,
} from './ip';
import { channelMargin, poeMargin } from './margins';
import { mains } from './mains';
import { newCable, newCopperBetweenEarths, surgeProtection } from './newCable';
import type { Margin, Option } from './option';
import { enclosureCautions, nearLeadM } from './placeSwitch';
import type { SharedThing } from './sharing';
import { isSheltered } from './sheltered';
import { withPort } from './strongPort';

/** Years until cameras and the switch are due. Judgement, as of other IP cameras on new cable. */
const fieldYears = 8;

const category = (lengthM: number, temperatureC: number) => [{ cable: 'pair-cat6', lengthM, temperatureC }];

/** The one cable back: as long as the shortest way to the place, and of all its cameras together. */
function trunk({ place, around, need }: Context, way: NewWay, trunkM: number): SharedThing {
  const { from } = way;
  const surges = surgeProtection(place, from);
  return {
    key: `trunk ${from.id} ${place.id}`,
    kind: 'way',
    placeId: place.id,
    label: `Cable from ${from.name} to a switch at ${place.name}`,
    parts: [
      newCable('category', trunkM, place, from),
      { item: 'category-ends', count: 1 },
      ...surges.parts,
      ...(isSheltered(place.environment) ? [] : [{ item: 'weatherproofing', count: 1 }]),
    ],
    tasks: [{ item: 'pull-cable-m', count: trunkM }, ...surges.work.map((item) => ({ item, count: 1 }))],
    need: 1,
    capacity: 'all',
    free: 0,
    among: around.routeFrom(from.id).cameras,
    port: { placeId: from.id, mbps: need.ip.mbps },
    way: { medium: 'category', fromPlaceId: from.id, lengthM: trunkM, intoPlaceId: place.id },
    cableM: trunkM,
  };
}

/** What all cameras of the place send over the one cable, against what a gigabit link is planned to carry. */
function uplinkMargin({ mbpsAtPlace }: Context): Margin {
  const [carries, planned] = [1000, 0.6];
  const most = carries * planned;
  const wanted = mbpsAtPlace();
  return {
    kind: 'link-rate',
    label: 'rate over the one cable',
    unit: 'Mb/s',
    value: most,
    utilisation: wanted / most,
    status: statusOf(wanted / most),
    basis: 'typical',
    unread: false,
    under: () => wanted / most,
    derivation: () => ({
      title: `Rate over the one cable, ${formatQuantity(most, 'Mb/s', 0)}`,
      steps: [
        {
          message: 'What every camera there streams, over one cable',
          formula: 'link-load',
          inputs: [],
          result: figure('wanted', wanted, 'Mb/s', 'typical'),
        },
        {
          message: 'Of what it carries three fifths are planned with',
          formula: 'link-room',
          inputs: [figure('link carries', carries, 'Mb/s', 'standard')],
          result: figure('planned to carry', most, 'Mb/s', 'policy'),
        },
      ],
      limit: { sense: 'at-most', figure: figure('planned to carry', most, 'Mb/s', 'policy') },
      conclusion:
        wanted <= most ? 'Carries the cameras of this place together.' : 'Does not carry them together.',
    }),
  };
}

/** A PoE switch where the cameras are, on one new cable back to a closet; every camera of the place hangs on it by a short lead. */
export function fieldSwitchOption(context: Context): Option {
  const { place, around, need, newCameras } = context;
  const way = newWay(context, 'field-switch');
  if ('state' in way) return way;
  const { from, lengthM, surveyed } = way;
  if (from.id === place.id)
    return infeasible(
      'field-switch',
      'at closet',
      `The closet is at ${place.name} itself: its own switch serves the cameras there.`,
      'a new category cable from that closet',
    );
  const obstacle =
    mainsObstacle('field-switch', place, 'switch') ?? mainsObstacle('field-switch', from, 'switch');
  if (obstacle) return obstacle;
  const trunkM = Math.min(lengthM, around.routeFrom(from.id).shortestM);
  const leadM = Math.ceil(lengthM - trunkM + nearLeadM);
  const lead = category(leadM, place.temperatureC);
  const { margin: watts, sourceWatts } = poeMargin(lead, need.ip, figure('lead', leadM, 'm', 'typical'));
  const spreadM = surveyed ? 0.02 : 0.1;
  const channels = [
    channelMargin(category(trunkM, place.temperatureC), surveyed ? 'noted' : 'typical', trunkM * spreadM),
    channelMargin(lead, 'typical', leadM * 0.1),
  ];
  const longest = channels[0]!.utilisation >= channels[1]!.utilisation ? channels[0]! : channels[1]!;
  const surges = surgeProtection(place, from);
  const earths = newCopperBetweenEarths(context, from);
  return withPort(
    context,
    feasible(context, {
      kind: 'field-switch',
      margins: [longest, watts, uplinkMargin(context), ...earths.margins],
      parts: [
        ...newCameras.ip.parts,
        newCable('category', leadM, place),
        { item: 'category-ends', count: 1 },
      ],
      work: [
        ...newCameras.ip.work,
        { item: 'pull-cable-m', count: leadM },
        ...surveyOf(way),
        ...removalOf(context),
      ],
      sharing: [...alongWay(context, way), trunk(context, way, trunkM)],
      shared: { of: 'poe-switch', placeId: place.id, sourceWatts, mbps: need.ip.mbps },
      signal: ipSignal(context),
      megapixels: need.ip.product.megapixels,
      lifeYears: fieldYears,
      fedLocally: true,
      newCableM: leadM,
      showsAt: [place.id, from.id],
      message: `A PoE switch at ${place.name} on ${Math.ceil(trunkM)} m of Cat 6 from ${from.name}${surveyed ? '' : ', route not surveyed yet'}; ${leadM} m from there.`,
      cautions: [
        `One cable and one switch carry every camera at ${place.name}: when either fails they are dark together.`,
        ...enclosureCautions(place),
        mains,
        ...surges.cautions,
        ...earths.cautions,
        ...newCableCautions(context),
      ],
      remedy: (binding) =>
        binding.kind === 'channel' ? 'fibre to the switch, or a nearer closet' : 'a camera of a lower class',
    }),
  );
}
