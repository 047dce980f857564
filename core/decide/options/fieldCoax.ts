import { runLengthM } from '#core/model/site';
import { productOf } from '#core/model/catalogue';
import { figure, statusOf } from '#core/shared/derivation';
import { formatQuantity } from '#core/shared/units';
import { feasible, infeasible } from './build';
import type { Context } from './context';
import { ipSignal, isolate, mainsObstacle, newEndsOf, removalOf, wishesOf } from './ip';
import { gearObstacle, lineObstacle } from './lineObstacle';
import { lineBindings } from './lineMargins';
import { channelMargin, coaxRateMargin, poeMargin } from './margins';
import { mains } from './mains';
import { newCable } from './newCable';
import { enclosureCautions, nearLeadM } from './placeSwitch';
import type { Margin, Option } from './option';
import type { SharedThing } from './sharing';
import { isSheltered } from './sheltered';
import { withPort } from './strongPort';
import type { OldCoax, Trunk } from './trunk';

const kind = 'field-coax' as const;
/** Years until converters, switch and cameras are due. Judgement, as of other Ethernet over coax. */
const years = 8;
const endCount = 2;

type Around = Pick<Context, 'catalogue' | 'policies' | 'place' | 'headEnd'>;

const perMbpsOf = ({ catalogue, policies }: Around, coax: OldCoax): Margin =>
  coaxRateMargin(
    { ...coax, need: { ip: { mbps: 1, mbpsFrom: 'typical' } } },
    productOf(catalogue, 'coax-converter', 'converter'),
    endCount * newEndsOf(policies).lossDb,
  );

/** The coax of a place that carries most; of those alike the one that comes first. */
export function bestTrunk(around: Around, coaxes: readonly OldCoax[]): Trunk | undefined {
  let best: { coax: OldCoax; perMbps: Margin } | undefined;
  for (const coax of coaxes) {
    const isFree =
      coax.findings.state !== 'stop' &&
      !lineObstacle(coax, kind, 'coax') &&
      !gearObstacle(coax, kind, ({ passes }) => passes.data);
    if (!isFree) continue;
    const perMbps = perMbpsOf(around, coax);
    if (!best || perMbps.value > best.perMbps.value) best = { coax, perMbps };
  }
  if (!best) return undefined;
  const { coax, perMbps } = best;
  const { place, headEnd } = around;
  return { ...coax, perMbps, line: lineBindings({ ...coax, place, headEnd }, 0)['data-and-power'] };
}

/** What all cameras of the place stream together, over the one coax. */
function rateMargin({ perMbps }: Trunk, mbps: number): Margin {
  const utilisation = mbps * perMbps.utilisation;
  return {
    ...perMbps,
    label: 'rate over the one coax',
    utilisation,
    status: statusOf(utilisation),
    under: (scenario) => mbps * perMbps.under(scenario),
    derivation: () => ({
      ...perMbps.derivation(),
      limit: {
        sense: 'at-least',
        figure: figure('cameras of the place stream', mbps, 'Mb/s', 'typical'),
      },
      conclusion:
        utilisation <= 1 ? 'Carries the cameras of this place together.' : 'Does not carry them together.',
    }),
  };
}

/** The coax with a converter at each end: one for all cameras of the place. */
function sharedCoax(context: Context, { run }: Trunk): SharedThing {
  const { place, headEnd, around, need, policies } = context;
  return {
    key: `coax ${headEnd.id} ${place.id}`,
    kind: 'way',
    placeId: place.id,
    label: `Converters on one old coax from ${headEnd.name} to a switch at ${place.name}`,
    parts: [
      { item: 'coax-converter', count: 2 },
      ...(isSheltered(place.environment) ? [] : [{ item: 'weatherproofing', count: 1 }]),
    ],
    tasks: [
      { item: 'fit-converter-pair', count: 1 },
      { item: newEndsOf(policies).task, count: endCount },
    ],
    need: 1,
    capacity: 'all',
    free: 0,
    among: around.camerasAtPlace(),
    port: { placeId: headEnd.id, mbps: need.ip.mbps },
    way: {
      medium: 'coax-converters',
      fromPlaceId: headEnd.id,
      lengthM: runLengthM(run),
      intoPlaceId: place.id,
    },
  };
}

const oneCoax =
  'Only while nobody else uses that coax: its own camera has to go this way too, or leave its coax.';

/** A PoE switch where the cameras are, with one of their old coaxes as its way back; every camera of the place hangs on it by a short lead. */
export function fieldCoaxOption(context: Context): Option {
  const { place, headEnd, need, newCameras, camera } = context;
  if (headEnd.id === place.id)
    return infeasible(
      kind,
      'at closet',
      `The coax ends at ${place.name} itself: the switch there serves its cameras.`,
      'a new category cable from that closet',
    );
  const obstacle = mainsObstacle(kind, place, 'switch') ?? mainsObstacle(kind, headEnd, 'coax converter');
  if (obstacle) return obstacle;
  const trunk = context.around.trunk();
  if (!trunk)
    return infeasible(
      kind,
      'no coax',
      `No old coax between ${headEnd.name} and ${place.name} could carry it.`,
      'a coax there that is whole, without gear that blocks data',
    );
  const lead = [{ cable: 'pair-cat6', lengthM: nearLeadM, temperatureC: place.temperatureC }];
  const { margin: watts, sourceWatts } = poeMargin(lead, need.ip, figure('lead', nearLeadM, 'm', 'typical'));
  const { line } = trunk;
  const isOwn = trunk.camera.id === camera.id;
  const converters = sharedCoax(context, trunk);
  const whose = isOwn ? 'its own coax' : `the coax of camera ${trunk.camera.number}`;
  return withPort(
    context,
    feasible(context, {
      kind,
      margins: [
        channelMargin(lead, 'typical', nearLeadM * 0.1),
        watts,
        rateMargin(trunk, context.mbpsAtPlace()),
        ...line.margins,
      ],
      parts: [
        ...newCameras.ip.parts,
        newCable('category', nearLeadM, place),
        { item: 'category-ends', count: 1 },
      ],
      work: [
        ...newCameras.ip.work,
        { item: 'pull-cable-m', count: nearLeadM },
        ...(isOwn ? [] : removalOf(context)),
      ],
      sharing: [converters],
      // They are fitted on its own coax once it has left that.
      ...(isOwn ? { alsoDark: converters.tasks } : {}),
      shared: { of: 'poe-switch', placeId: place.id, sourceWatts, mbps: need.ip.mbps },
      onCoaxOf: trunk.camera.id,
      signal: ipSignal(context),
      megapixels: need.ip.product.megapixels,
      lifeYears: years,
      fedLocally: true,
      newCableM: nearLeadM,
      showsAt: [place.id],
      message: `A PoE switch at ${place.name} with ${whose} as its way back, a converter at each end; ${nearLeadM} m of Cat 6 from there.`,
      cautions: [
        isolate,
        oneCoax,
        `One coax and one switch carry every camera at ${place.name}: when either fails they are dark together.`,
        ...enclosureCautions(place),
        mains,
        ...line.cautions,
        ...wishesOf(context),
      ],
      remedy: (binding) =>
        binding.kind === 'link-rate'
          ? `streams of at most ${formatQuantity(binding.value, 'Mb/s')} together, or fibre to the switch`
          : 'a camera of a lower class',
    }),
  );
}
