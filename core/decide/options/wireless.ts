import { fadeDb, loadFactor } from '#core/test/scenarios';
import type { RadioPath } from '#core/model/site';
import { channelMHz, rateAtDb, radioRegions } from '#core/physics/wireless';
import { formatQuantity } from '#core/shared/units';
import { statusOf, unboundedUtilisation, worst } from '#core/shared/derivation';
import { infeasible, feasible } from './build';
import type { Context } from './context';
import { fieldSwitchAt } from './fieldSwitch';
import { ipSignal, mainsObstacle, wishesOf } from './ip';
import { mains } from './mains';
import type { OnAir } from './onAir';
import type { Margin, Option } from './option';
import { clearanceDerivation, clearanceNeedM, radioRateDerivation } from './radioDerivations';
import type { SharedThing } from './sharing';

const radioYears = 6;
const surge = 'Surge protection and earthing of masts.';

/** Neighbours are heard where they are listened to, and a beam is clear where it was measured: neither is taken for granted. */
function rateMargin({ mbpsAtPlace }: Context, path: RadioPath, air: OnAir): Margin {
  const { overDb, keptDb, unheard, sharesAt } = air;
  const rate = rateAtDb(overDb - keptDb);
  const wanted = mbpsAtPlace();
  const utilisation = rate > 0 ? wanted / rate : unboundedUtilisation;
  const isSure = unheard.length + sharesAt.length === 0 && path.clearanceM !== undefined;
  return {
    kind: 'radio-rate',
    label: 'rate by radio',
    unit: 'Mb/s',
    value: rate,
    utilisation,
    status: isSure ? statusOf(utilisation) : worst([statusOf(utilisation), 'close']),
    basis: 'typical',
    unread: unheard.length > 0 || path.clearanceM === undefined,
    // Fading and neighbours who come home are what the margin is kept for; only what is more counts beside it.
    under: (scenario) => {
      const held = rateAtDb(overDb - Math.max(keptDb, fadeDb(scenario)));
      return held > 0 ? (wanted * loadFactor('typical', scenario)) / held : unboundedUtilisation;
    },
    derivation: () => radioRateDerivation(path, air, wanted),
  };
}

function clearanceMargin({ distanceM }: RadioPath, haveM: number, frequencyMHz: number): Margin {
  const needM = clearanceNeedM(distanceM, frequencyMHz);
  const used = haveM > 0 ? needM / haveM : unboundedUtilisation;
  return {
    kind: 'clearance',
    label: 'room for the beam',
    unit: 'm',
    value: haveM,
    utilisation: used,
    status: statusOf(used),
    basis: 'measured',
    unread: false,
    under: () => used,
    derivation: () => clearanceDerivation(distanceM, haveM, frequencyMHz),
  };
}

/** What somebody who hangs the radios has to mind: rules, radar, ends nobody has listened at. */
function radioCautions(path: RadioPath, { best, unheard, sharesAt }: OnAir): string[] {
  const rules =
    path.region === undefined
      ? 'Nobody noted whose radio rules hold there: channels and power are those that Europe and North America both allow.'
      : `${radioRegions[path.region].label}: at most ${best.mostEirpDbm} dBm on channel ${best.channel}. Local rules go before.`;
  const wait = best.radarWaitS < 120 ? `${best.radarWaitS} s` : `${best.radarWaitS / 60} minutes`;
  return [
    rules,
    ...(best.radarWaitS > 0
      ? [
          `Channel ${best.channel} gives way to radar: it listens for ${wait} before it sends, and is silent and moves when it hears one.`,
        ]
      : []),
    ...sharesAt.map(
      (name) =>
        `Another radio of this site at ${name} stands on channel ${best.channel} too, for want of a free one: they take turns, and neither carries what is reckoned for it alone.`,
    ),
    ...unheard.map(
      (name) => `Nobody has listened to who is on the air at ${name}: scan there too, at a busy hour.`,
    ),
    ...(path.clearanceM === undefined ? ['The room for the beam was not measured.'] : []),
  ];
}

const messageOf = ({ best, crowded }: OnAir): string =>
  `Channel ${best.channel} at 5 GHz is the best (${best.neighbours} heard near it); the quietest at ${formatQuantity(channelMHz(crowded.channel), 'MHz')} has ${crowded.neighbours}.`;

/** One pair of radios serves every camera of its place. */
const sharedRadio = ({ place, site, around, need }: Context, path: RadioPath): SharedThing => ({
  key: `radio ${path.id}`,
  kind: 'way',
  placeId: place.id,
  label: `Radio from ${place.name} to ${site.place[path.toPlaceId]!.name}`,
  parts: [{ item: 'radio', count: 2 }],
  tasks: [{ item: 'hang-radios', count: 1 }],
  need: 1,
  capacity: 'all',
  free: 0,
  among: around.camerasAtPlace(),
  port: { placeId: path.toPlaceId, mbps: need.ip.mbps },
  way: { medium: 'radio', fromPlaceId: path.toPlaceId, lengthM: path.distanceM },
});

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
  if (!radioPath)
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
  const farEnd = mainsObstacle('wireless', site.place[radioPath.toPlaceId]!, 'radio');
  if (farEnd) return farEnd;
  const air = context.airOver(radioPath);
  const { clearanceM } = radioPath;
  const camera = context.newCameras.ip;
  const radio = sharedRadio(context, radioPath);
  return feasible(context, {
    kind: 'wireless',
    margins: [
      rateMargin(context, radioPath, air),
      ...(clearanceM === undefined ? [] : [clearanceMargin(radioPath, clearanceM, air.best.frequencyMHz)]),
    ],
    parts: [...camera.parts, { item: 'poe-injector', count: 1 }],
    work: camera.work,
    sharing: [radio, fieldSwitchAt(context, radio)],
    signal: ipSignal(context),
    megapixels: ip.product.megapixels,
    lifeYears: radioYears,
    fedLocally: true,
    showsAt: [place.id, radioPath.toPlaceId],
    message: messageOf(air),
    cautions: [...radioCautions(radioPath, air), mains, surge, ...wishesOf(context)],
    remedy: (binding) =>
      binding.kind === 'clearance'
        ? 'higher masts, or what stands in the beam cut back'
        : 'fewer or smaller streams, a shorter hop, or aerials with more gain',
  });
}
