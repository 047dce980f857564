import { formatMegapixels, pictureFormat, type PictureFormat } from '#core/physics/signal';
import {
  coaxLoop,
  faultsOf,
  gearInLine,
  heaterWatts,
  inferCoaxLoop,
  inferPowerLoop,
  powerLoop,
  severity,
  type RunEvent,
} from '#core/test/findings';
import { inLineGear, optionRow, sentToday, type OptionKind } from '#core/model/site';
import { closeUtilisation, figure, statusOf } from '#core/shared/derivation';
import { formatQuantity } from '#core/shared/units';
import { hdCoaxOption, wornOut } from './analog';
import { feasible, infeasible } from './build';
import type { Context } from './context';
import { ampsOf, drawsOf, loadsOf } from './draws';
import { ipCoaxUnitOption } from './ip';
import { feedMargin, keptVoltsMargin, nightVoltsMargin, pictureMarginOf, windowMargins } from './margins';
import type { InfeasibleOption, Margin, Option } from './option';
import type { Part } from './part';
import { likeCamera } from './successor';
import { isSheltered } from './sheltered';

/** Events that a remade joint takes away; water and a broken cable it does not. */
const mendable: ReadonlySet<RunEvent['kind']> = new Set(['series', 'tap', 'lower-impedance']);

/** From this belief on a joint is what a loop says, and worth a way up. Policy. */
const believed = 0.6;

/** What is to be mended, and the context as it will be then. */
interface Mending {
  joints: RunEvent[];
  hasPowerJoint: boolean;
  mended: Context;
}

/** A loop that is no more than so many times what it should be tells of no joint. */
const worthAsking = 1.1;

function tellsOfPowerJoint({ run, readings }: Context): boolean {
  const power = readings['power-loop-ohms'];
  if (!power || power.value < worthAsking * powerLoop(run, undefined).ohms) return false;
  const [likeliest] = inferPowerLoop(run, power);
  return likeliest?.kind === 'joint' && likeliest.probability >= believed;
}

function mendingOf(context: Context): Mending {
  const { run, findings } = context;
  const joints = faultsOf(findings.events).filter(
    (event) => mendable.has(event.kind) && severity(event) >= closeUtilisation,
  );
  const hasPowerJoint = tellsOfPowerJoint(context);
  if (joints.length === 0 && !hasPowerJoint) return { joints, hasPowerJoint, mended: context };
  return {
    joints,
    hasPowerJoint,
    mended: {
      ...context,
      findings: {
        ...findings,
        events: findings.events.filter((event) => !joints.includes(event)),
        coaxLoop: joints.length > 0 ? coaxLoop(run, undefined) : findings.coaxLoop,
        powerLoop: hasPowerJoint ? powerLoop(run, undefined) : findings.powerLoop,
      },
    },
  };
}

/** What an equaliser for standard definition brings back at its top frequency. Typical. */
const equaliserDb = 12;

/** Loss by length alone is what an equaliser brings back; what else spoils a picture it would only hide. */
const needsEqualiser = ({ camera, run, findings }: Context, picture: Margin): boolean =>
  pictureFormat(camera.format).family === 'composite' &&
  picture.status !== 'holds' &&
  faultsOf(findings.events).length === 0 &&
  !gearInLine(run).includes(inLineGear.amplifier);

/** The picture with an equaliser at the head end: what it brings back is lost no more. It lifts noise with it, so never more than close. */
function equalised(picture: Margin, { limitDb }: PictureFormat): Margin {
  const lossDb = Math.max(0, picture.value - equaliserDb);
  return {
    ...picture,
    value: lossDb,
    utilisation: lossDb / limitDb,
    status: statusOf(lossDb / limitDb) === 'fails' ? 'fails' : 'close',
    under: (scenario) => Math.max(0, picture.under(scenario) - equaliserDb / limitDb),
    derivation: () => {
      const derivation = picture.derivation();
      return {
        ...derivation,
        steps: [
          ...derivation.steps,
          {
            message: 'With an equaliser at the head end',
            formula: 'picture-loss',
            inputs: [figure('brings back', equaliserDb, 'dB', 'typical')],
            result: figure('left', lossDb, 'dB', 'typical'),
          },
        ],
        conclusion:
          'An equaliser brings the detail back, and noise with it: look at the picture before it stays.',
      };
    },
  };
}

/** Where a loop tells of a joint, and no trace has shown the metre. */
function unseen({ run, readings }: Context): InfeasibleOption | undefined {
  const loop = readings['coax-loop-ohms'];
  if (!loop || readings.reflectometer) return undefined;
  if (loop.value < worthAsking * coaxLoop(run, undefined).ohms) return undefined;
  const [likeliest] = inferCoaxLoop(run, loop);
  if (likeliest?.kind !== 'joint' || likeliest.probability < believed) return undefined;
  return infeasible(
    'mend-line',
    'not located',
    `The loop tells of a poor joint, ${formatQuantity(likeliest.excessOhms, 'Ω')} too much. No trace has shown where.`,
    'a reflectometer trace that shows the metre',
  );
}

/** Ways that the mended coax would be good for, beside keeping the camera. */
function thenAlso(mended: Context): string {
  const ways = [hdCoaxOption, ipCoaxUnitOption].flatMap((build): OptionKind[] => {
    const option = build(mended);
    return option.state === 'holds' || option.state === 'close' ? [option.kind] : [];
  });
  return ways.length === 0
    ? ''
    : ` After that these would hold too: ${ways.map((kind) => optionRow(kind).label).join(', ')}.`;
}

function messageOf({ joints, hasPowerJoint, mended }: Mending, hasEqualiser: boolean): string {
  const at = joints.map(({ atM }) => formatQuantity(atM, 'm')).join(', ');
  const done = [
    ...(joints.length > 0 ? [`The coax is remade at ${at}.`] : []),
    ...(hasPowerJoint ? ['The joint in the power cores is found and remade.'] : []),
    ...(hasEqualiser ? ['An equaliser goes in at the head end.'] : []),
  ].join(' ');
  return joints.length > 0 ? `${done}${thenAlso(mended)}` : done;
}

/** Years that the mended line and its camera go on. Judgement. */
const mendedYears = 4;

/** Remakes what a trace or a loop has shown, and keeps the camera: often the cheapest way, and the first step to any other. */
export function mendLineOption(context: Context): Option {
  const { camera, place, run } = context;
  const kind = 'mend-line';
  if (camera.worthKeeping === 'no') return wornOut(kind);
  const mending = mendingOf(context);
  const { joints, hasPowerJoint, mended } = mending;
  const remade = joints.length + Number(hasPowerJoint);
  const bare = pictureMarginOf(mended, pictureFormat(camera.format));
  const hasEqualiser = needsEqualiser(mended, bare);
  if (remade === 0 && !hasEqualiser)
    return (
      unseen(context) ??
      infeasible(
        kind,
        'no joint',
        'Nothing was found in the line that remaking a joint would mend.',
        'nothing: a trace or a loop tells where there is something',
      )
    );
  const loads = loadsOf(camera);
  const drawn = ampsOf(mended, loads);
  const isDry = isSheltered(place.environment);
  const watts = figure('camera by night', camera.watts.night, 'W', 'noted');
  const joint: Part[] = [{ item: 'joint-kit', count: remade }];
  const jointWork: Part[] = [{ item: 'remake-joint', count: remade }];
  if (!isDry) {
    joint.push({ item: 'weatherproofing', count: remade });
    jointWork.push({ item: 'weatherproof-end', count: remade });
  }
  return feasible(context, {
    kind,
    margins: [
      hasEqualiser ? equalised(bare, pictureFormat(camera.format)) : bare,
      hasPowerJoint
        ? nightVoltsMargin(mended, watts, heaterWatts(camera), camera.supply.window)
        : keptVoltsMargin(context),
      ...windowMargins(mended, camera.supply.window, loads, 'there'),
      feedMargin(mended, drawn),
    ],
    parts: [...(remade > 0 ? joint : []), ...(hasEqualiser ? [{ item: 'equaliser', count: 1 }] : [])],
    work: [...(remade > 0 ? jointWork : []), ...(hasEqualiser ? ['fit-equaliser'] : [])],
    signal: { kind: 'coax', ...sentToday(camera) },
    megapixels: formatMegapixels(camera.format),
    lifeYears: mendedYears,
    successor: likeCamera(context),
    draws: drawsOf(mended, drawn),
    fedLocally: run.feed.kind === 'local-adapter',
    message: messageOf(mending, hasEqualiser),
    cautions: [
      'Prove the run dead before cutting or joining.',
      ...(remade > 0 ? ['Read loop and trace again once it is remade: until then it is a promise.'] : []),
    ],
    remedy: () => 'another way for picture and power',
  });
}
