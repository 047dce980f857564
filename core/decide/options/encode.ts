import { formatMegapixels, pictureFormat } from '#core/physics/signal';
import { sentToday } from '#core/model/site';
import { encodedRate } from '#core/model/streams';
import { lineKind } from '#core/test/findings';
import { keptYears, wornOut } from './analog';
import { feasible, infeasible, type Successor } from './build';
import type { Context } from './context';
import { coaxIpYears, mainsObstacle } from './ip';
import type { Option } from './option';

/** No more of a picture than this comes out of an encoder, whatever goes in: 704 columns of 576 lines. Typical. */
const mostMegapixels = 0.4;

/** Who comes after it: an IP camera on the same cable, since an encoder takes nothing new. */
const nextOnCable = ({ newCameras, run }: Context): Successor => ({
  parts:
    lineKind(run) === 'coax'
      ? [...newCameras.ip.parts, { item: 'coax-converter', count: 2 }]
      : newCameras.ip.parts,
  lifeYears: coaxIpYears,
});

const steering =
  'Steered from the head end today: over the encoder it works only where the encoder passes steering on and the recorder speaks it. Try it before the old way goes, or leave the keyboard on its pair.';

/** Keeps camera, cable and power, and makes a stream of the picture at the head end: for a recorder that has no input left for it. */
export function encodeOption(context: Context): Option {
  const { camera, headEnd, site } = context;
  const kind = 'encode';
  if (camera.worthKeeping === 'no') return wornOut(kind);
  if (pictureFormat(camera.format).family !== 'composite')
    return infeasible(
      kind,
      'HD picture',
      'The camera sends an HD picture; what is reckoned with here are encoders of composite pictures.',
      'an input of a recorder, or an IP camera',
    );
  const obstacle = mainsObstacle(kind, headEnd, 'video encoder');
  if (obstacle) return obstacle;
  const megapixels = Math.min(mostMegapixels, formatMegapixels(sentToday(camera).format));
  const mbps = encodedRate(site, camera, megapixels);
  const { margins, draws, fedLocally, cautions, remedy } = context.kept();
  return feasible(context, {
    kind,
    margins,
    draws,
    fedLocally,
    remedy,
    parts: [],
    work: ['patch-to-encoder'],
    shared: { of: 'encoder', placeId: headEnd.id, sourceWatts: 0, mbps },
    signal: { kind: 'ip', mbps, megapixels },
    megapixels,
    lifeYears: keptYears,
    successor: nextOnCable(context),
    message:
      'An encoder at the head end makes a stream of its picture; camera, cable and power stay as they are.',
    cautions: [
      ...cautions,
      'The picture becomes no better: a stream shows at most what the old camera sends.',
      'Set the encoder’s line standard and frames a second by the camera, and give it a password of its own.',
      ...(camera.telemetry ? [steering] : []),
    ],
  });
}
