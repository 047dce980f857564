import type { Camera, SeenFrom } from '#core/model/site';
import type { CameraFigures, ViewNeed } from '#core/model/views';
import { megapixelsFor, pixelsAcross, viewPurposes, widthAcrossM } from '#core/physics/optics';
import { figure, statusOf, unboundedUtilisation, worst } from '#core/shared/derivation';
import { formatQuantity } from '#core/shared/units';
import { viewFactor } from '#core/test/scenarios';
import { feasible, infeasible } from './build';
import type { Context } from './context';
import type { InfeasibleOption, Margin, Option } from './option';

const kind = 'shared-view' as const;

/** What the lens of a usual wide camera takes in, 2.8 mm before a sensor of 1/2.8 inch with its edges. Typical. */
const usualWidestDegrees = 100;

/** Both views with what they have to be good for. */
interface Together {
  camera: Camera;
  other: Camera;
  seenFrom: SeenFrom;
  product: CameraFigures['product'];
  /** Whether one of the views needs light of its own by night. */
  needsLamps: boolean;
}

/** Pixels a metre that a view takes; nothing while nobody has said what it is for. */
const perMetreOf = ({ needs }: Camera): number | undefined =>
  viewPurposes.find(({ id }) => id === needs?.detail)?.atLeast;

/** The angle against what the lens takes in. Lamps light one way: with them nobody knows before a night was looked at. */
function angleMargin({ seenFrom, product, needsLamps }: Together): Margin {
  const widest = product.widestDegrees ?? usualWidestDegrees;
  const utilisation = seenFrom.acrossDegrees / widest;
  const status = statusOf(utilisation);
  return {
    kind: 'view-angle',
    label: 'angle of both views',
    unit: '°',
    value: widest,
    utilisation,
    status: needsLamps ? worst([status, 'close']) : status,
    basis: product.widestDegrees === undefined ? 'typical' : 'data-sheet',
    unread: false,
    under: (scenario) => utilisation * viewFactor(scenario),
    derivation: () => ({
      title: `Angle of both views, ${formatQuantity(seenFrom.acrossDegrees, '°')}`,
      steps: [],
      limit: {
        sense: 'at-most',
        figure: figure(
          'the lens takes in',
          widest,
          '°',
          product.widestDegrees === undefined ? 'typical' : 'data-sheet',
        ),
      },
      conclusion:
        utilisation > 1
          ? 'No such lens takes in both views.'
          : needsLamps
            ? 'Takes in both views by day; whether its lamps light both has to be seen by night.'
            : 'Takes in both views.',
    }),
  };
}

/** Pixels that one of the views gets a metre, against what it is for. */
function pixelMargin(
  { seenFrom, product }: Together,
  of: Pick<Camera, 'number' | 'targetM'>,
  needed: number,
): Margin {
  const { acrossDegrees } = seenFrom;
  const distanceM = of.targetM!;
  const pixels = pixelsAcross(product.megapixels);
  const widthM = widthAcrossM(acrossDegrees, distanceM);
  const perMetre = pixels / widthM;
  const utilisation = perMetre > 0 ? needed / perMetre : unboundedUtilisation;
  return {
    kind: 'pixels',
    label: `pixels on the target of camera ${of.number}`,
    unit: 'px/m',
    value: perMetre,
    utilisation,
    status: statusOf(utilisation),
    basis: 'typical',
    unread: false,
    under: (scenario) => utilisation * viewFactor(scenario),
    derivation: () => ({
      title: `Pixels a metre at ${formatQuantity(distanceM, 'm')}, ${formatQuantity(perMetre, 'px/m')}`,
      steps: [
        {
          message: 'How wide the picture is where the target stands',
          formula: 'wide-view',
          inputs: [
            figure('both views together', acrossDegrees, '°', 'noted'),
            figure('distance', distanceM, 'm', 'noted'),
            figure('pixels across the picture', pixels, '', 'data-sheet'),
          ],
          result: figure('pixels a metre', perMetre, 'px/m', 'computed'),
        },
      ],
      limit: { sense: 'at-least', figure: figure('the view needs', needed, 'px/m', 'policy') },
      conclusion: utilisation <= 1 ? 'As fine as the view needs.' : 'Too coarse for what the view is for.',
    }),
  };
}

/** Both views where enough is noted of them, or what is missing or in the way. */
function togetherOf({ camera, site, need, around }: Context): Together | InfeasibleOption {
  const { seenFrom } = camera;
  if (!seenFrom)
    return infeasible(
      kind,
      'not noted',
      'Nobody has noted another camera from whose place this view could be seen too.',
      'that camera, the angle that takes in both views and the distance from there, noted in Survey',
    );
  const other = site.camera[seenFrom.cameraId]!;
  if (!around.hasRun(other.id))
    return infeasible(
      kind,
      'on network',
      `Camera ${other.number} hangs on the network already and is not changed by this plan.`,
      'another camera, one that is to be renewed',
    );
  if (camera.target === 'turning-4mp' || other.target === 'turning-4mp')
    return infeasible(
      kind,
      'turns',
      'A turning camera looks one way at a time, and a wide one does not turn.',
      'fixed cameras for both views',
    );
  const unknown = [camera, other].find((one) => perMetreOf(one) === undefined);
  if (unknown)
    return infeasible(
      kind,
      'need open',
      `Nobody has said what the view of camera ${unknown.number} has to be good for.`,
      'its detail, noted in Survey under “Afterwards”',
    );
  if (other.targetM === undefined)
    return infeasible(
      kind,
      'target open',
      `Nobody has noted how far the target of camera ${other.number} is.`,
      'that distance, noted in Survey',
    );
  const theirs: ViewNeed = around.needOf(other);
  return {
    camera,
    other,
    seenFrom,
    product: theirs.ip.product,
    needsLamps: need.lamps || theirs.lamps,
  };
}

/** The wide camera of another view sees this one too: this camera comes down once that has been proved. */
export function sharedViewOption(context: Context): Option {
  const together = togetherOf(context);
  if ('state' in together) return together;
  const { camera, other, seenFrom, product, needsLamps } = together;
  const [own = 0, theirs = 0] = [camera, other].map(perMetreOf);
  const pixels = Math.max(
    own * widthAcrossM(seenFrom.acrossDegrees, seenFrom.targetM),
    theirs * widthAcrossM(seenFrom.acrossDegrees, other.targetM!),
  );
  const megapixels = megapixelsFor(pixels);
  return feasible(context, {
    kind,
    margins: [
      angleMargin(together),
      pixelMargin(together, { number: camera.number, targetM: seenFrom.targetM }, own),
      pixelMargin(together, other, theirs),
    ],
    parts: [{ item: 'disposal', count: 1 }],
    work: ['commission-camera', 'take-down'],
    seenBy: { cameraId: other.id, megapixels: megapixels ?? Infinity },
    signal: { kind: 'none' },
    megapixels: product.megapixels,
    lifeYears: 100,
    successor: null,
    message: `The next camera ${other.number} “${other.name}” is a wide one of at least ${formatQuantity(megapixels ?? product.megapixels, 'MP')} that takes in ${formatQuantity(seenFrom.acrossDegrees, '°')}: both views in one picture.`,
    cautions: [
      `Only with a new IP camera ${other.number}, and only after its picture of both targets was proved by day and by lamps: until then this camera stays.`,
      'One camera for two views: when it or its line fails, both are dark.',
      'Angle and distances are as somebody noted them: hold a camera of that lens there before anything is ordered, and see that nothing stands in between.',
      ...(needsLamps ? ['Lamps of one camera light one way: look at both targets by night.'] : []),
      'Isolate its supply before it comes down; never lift a camera by its lead.',
    ],
    remedy: (binding) =>
      binding.kind === 'view-angle'
        ? 'a camera with a wider lens, by its data sheet'
        : megapixels === null
          ? 'a narrower angle, or a camera of its own'
          : `a class of ${formatQuantity(megapixels, 'MP')} for camera ${other.number}`,
  });
}
