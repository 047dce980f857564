import { powerCable } from '#core/physics/cable';
import { powerFixes, trimMarginVolts, type PowerFix } from '#core/test/volts';
import { pictureFormat, formatMegapixels } from '#core/physics/signal';
import { conductorsFree, runLengthM, sentToday } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import { figure, statusOf } from '#core/shared/derivation';
import { infeasible, partsCostOf, feasible } from './build';
import type { Context } from './context';
import { ampsOf, drawsOf, loadsOf } from './draws';
import { ohmsFactor } from '#core/test/scenarios';
import { mains } from './mains';
import { feedMargin, keptVoltsMargin, pictureMarginOf, windowMargins } from './margins';
import { fireClassCautions } from './fireClass';
import { surgeProtection } from './newCable';
import type { Margin, Option } from './option';
import type { Part } from './part';
import { likeCamera } from './successor';

/** Whether two more cores lie beside those in use, all the way; those of other cameras in one cable with it are in use. */
function hasSpareCores({ site, run: { id, feed, segments } }: Context): boolean {
  if (feed.kind === 'separate-pair')
    return powerCable(feed.cable).cores - feed.outCores - feed.backCores >= 2;
  return segments.every(({ leg }, index) => {
    if (leg.kind === 'cores') return powerCable(leg.cable).cores - leg.outCores - leg.backCores >= 2;
    return leg.kind === 'spare-pairs' && (conductorsFree(site, id, index) ?? 0) >= 2;
  });
}

/** A fix with what it takes, where it can be done here. */
interface Doable {
  fix: PowerFix;
  parts: Part[];
  /** Tasks beside changing the feed and pulling the cable. */
  work: string[];
  atCamera: boolean;
  newCableM: number;
  cautions: string[];
}

function doable(context: Context, fix: PowerFix): Doable | undefined {
  const { run, place } = context;
  const rating = fix.leastGiven === undefined ? [] : [fix.leastGiven];
  const plain = { fix, work: [], atCamera: false, newCableM: 0, cautions: [] };
  switch (fix.kind) {
    case 'as-is':
      return undefined;
    case 'parallel-cores':
      return hasSpareCores(context) ? { ...plain, parts: [] } : undefined;
    case 'heavier-cores': {
      const surges = surgeProtection(place, context.headEnd);
      const closed = run.newRoute?.kind === 'closed' || place.restrictions.includes('heritage');
      const lengthM = run.feed.kind === 'separate-pair' ? run.feed.lengthM : runLengthM(run);
      return closed
        ? undefined
        : {
            ...plain,
            parts: [
              { item: 'power-pair-m', count: Math.ceil(lengthM) },
              { item: 'containment-m', count: Math.ceil(lengthM) },
              { item: 'making-good', count: 1 },
              ...surges.parts,
            ],
            newCableM: lengthM,
            work: surges.work,
            cautions: [...surges.cautions, ...fireClassCautions(place, context.headEnd)],
          };
    }
    case 'local-adapter':
      return place.mains
        ? {
            ...plain,
            atCamera: true,
            parts: [{ item: 'local-adapter', count: 1 }],
            cautions: [mains, ...rating],
          }
        : undefined;
    case 'step-up':
      return {
        ...plain,
        parts: [{ item: 'step-up-pair', count: 1 }],
        cautions: [
          'Its cores leave the output of the box for the supply of their own; no other camera may stay on them.',
          ...rating,
        ],
      };
  }
}

function fixedVolts(context: Context, { kind, nightVolts, utilisation }: PowerFix): Margin {
  const {
    camera,
    findings: { powerLoop },
  } = context;
  const { minVolts, from } = camera.supply.window;
  const basis = powerLoop.from === 'measured' ? 'measured' : 'typical';
  return {
    kind: 'night-volts',
    label: 'volts by night',
    unit: 'V',
    value: nightVolts,
    utilisation,
    status: statusOf(utilisation),
    basis,
    unread: powerLoop.from !== 'measured' && kind !== 'local-adapter',
    derivation: () => ({
      title: `Volts by night, ${formatQuantity(nightVolts, 'V')}`,
      steps: [
        {
          message: 'Volts that arrive with the fix',
          formula: 'dc-feed',
          inputs: [
            figure('loop as it is', powerLoop.ohms, 'Ω', powerLoop.from),
            figure('camera by night', camera.watts.night, 'W', 'noted'),
          ],
          result: figure('at the camera', nightVolts, 'V', 'computed'),
        },
      ],
      limit: { sense: 'at-least', figure: figure('lowest of the camera', minVolts, 'V', from) },
      conclusion:
        utilisation <= 1 ? `${formatQuantity(nightVolts - minVolts, 'V')} to spare.` : 'Still too little.',
    }),
    // The drop grows with the loop, and an adapter beside the camera has next to none. New cores have none of the old ones’ troubles.
    under: ({ powerOhms, powerTimes }) =>
      kind === 'local-adapter'
        ? utilisation
        : utilisation * ohmsFactor(basis, powerOhms, kind === 'heavier-cores' ? 1 : powerTimes),
  };
}

/** A trimmed supply serves all on its rail, where there is a setting that does. */
function trim(context: Context): Margin | undefined {
  const rail = context.rail();
  const {
    run: { feed },
  } = context;
  if (!rail || feed.kind === 'local-adapter' || !context.site.supply[feed.supplyId]?.adjustable)
    return undefined;
  const { lowest, highest, range } = rail;
  if (!lowest || !highest) return undefined;
  const from = Math.max(lowest.volts, range.minVolts);
  const to = Math.min(highest.volts, range.maxVolts);
  if (from > to) return undefined;
  const setVolts = Math.round(((from + to) / 2) * 10) / 10;
  const spareVolts = Math.min(setVolts - from, to - setVolts);
  if (spareVolts < 0) return undefined;
  return {
    kind: 'supply-setting',
    label: 'setting of the supply',
    unit: 'V',
    value: setVolts,
    utilisation: Math.min(1, lowest.volts / setVolts),
    status: spareVolts < trimMarginVolts ? 'close' : 'holds',
    basis: 'typical',
    unread: false,
    under: () => Math.min(1, lowest.volts / setVolts),
    derivation: () => ({
      title: `Supply set to ${formatQuantity(setVolts, 'V')}`,
      steps: [
        {
          message: `Between what camera ${lowest.number} needs and camera ${highest.number} bears`,
          formula: 'against-limit',
          inputs: [
            figure('needed', lowest.volts, 'V', 'computed'),
            figure('borne', highest.volts, 'V', 'computed'),
          ],
          result: figure('setting', setVolts, 'V', 'computed'),
        },
      ],
      limit: { sense: 'at-least', figure: figure('needed', lowest.volts, 'V', 'computed') },
      conclusion:
        spareVolts < trimMarginVolts
          ? 'One setting serves every camera on the box, with next to nothing to spare: read them all.'
          : 'One setting serves every camera on the box, idle and on a cold day.',
    }),
  };
}

/** Years that the mended camera goes on. Judgement. */
const years = 4;

/** Keep the camera and change only how power reaches it: the cheapest way that holds, without new cable where there is one. */
export function powerFixOption(context: Context): Option {
  const { camera, source, run, site, readings, catalogue } = context;
  if (camera.worthKeeping === 'no')
    return infeasible(
      'power-fix',
      'worn out',
      'The survey says this camera is not worth keeping.',
      'a new camera',
    );
  if (source.current !== camera.supply.current)
    return infeasible(
      'power-fix',
      'AC and DC',
      'The camera and its rail are not the same kind; no fix makes a mixed rail safe.',
      'the right supply for this camera',
    );
  const loads = loadsOf(camera);
  const asItIs = [keptVoltsMargin(context), ...windowMargins(context, camera.supply.window, loads, 'there')];
  if (asItIs.every(({ status }) => status === 'holds'))
    return infeasible(
      'power-fix',
      'power holds',
      'The power holds as it is; there is nothing to mend.',
      'nothing: keep it as it is',
    );
  const picture = pictureMarginOf(context, pictureFormat(camera.format));
  const drawn = ampsOf(context, loads);
  const common = {
    kind: 'power-fix' as const,
    signal: { kind: 'coax' as const, ...sentToday(camera) },
    megapixels: formatMegapixels(camera.format),
    lifeYears: years,
    successor: likeCamera(context),
    draws: drawsOf(context, drawn),
    remedy: () => 'another way for picture and power',
  };
  const trimmed = trim(context);
  if (trimmed) {
    const trimmedAmps = ampsOf(context, loads, trimmed.value);
    return feasible(context, {
      ...common,
      draws: drawsOf(context, trimmedAmps),
      margins: [picture, trimmed, feedMargin(context, trimmedAmps, trimmed.value)],
      parts: [],
      work: ['fix-power'],
      message: `Set the supply to ${formatQuantity(trimmed.value, 'V')}; it serves every camera on that box.`,
      cautions: ['They share the rail: read the nearest camera, idle and on a cold day, before you leave.'],
    });
  }
  const [way] = powerFixes(site, run, camera, readings, source)
    .flatMap((fix) => doable(context, fix) ?? [])
    .sort(
      (a, b) =>
        Number(a.fix.status === 'fails') - Number(b.fix.status === 'fails') ||
        a.newCableM - b.newCableM ||
        partsCostOf(catalogue, a.parts) - partsCostOf(catalogue, b.parts),
    );
  if (way) {
    const { ownSupply = null } = way.fix;
    // Its fuse and amps are none of the box's any more.
    const leavesBox = way.atCamera || ownSupply !== null;
    return feasible(context, {
      ...common,
      margins: [picture, fixedVolts(context, way.fix), ...(leavesBox ? [] : [feedMargin(context, drawn)])],
      parts: way.parts,
      work:
        way.newCableM > 0
          ? ['fix-power', 'pull-cable-start', { item: 'pull-cable-m', count: way.newCableM }, ...way.work]
          : ['fix-power'],
      message: `${way.fix.label}: ${formatQuantity(way.fix.nightVolts, 'V')} at the camera by night.`,
      cautions: way.cautions,
      fedLocally: way.atCamera,
      ownSupply,
      draws: leavesBox ? null : common.draws,
      newCableM: way.newCableM,
      showsAt: way.newCableM > 0 || way.atCamera ? [camera.placeId] : [],
    });
  }
  return infeasible(
    'power-fix',
    'no way',
    'No spare cores, no mains at the camera, no route for heavier cores and no converter that would hold.',
    'mains at the camera, by a licensed person',
  );
}
