import { lineKind } from '#core/findings';
import { pictureFormat, pictureFormats, type PictureFormat } from '#core/signal';
import type { OptionKind } from '#core/site';
import { figure } from '#core/working';
import { impossible, possible } from './build';
import type { Context } from './context';
import { keptVoltsMargin, nightVoltsMargin, pictureMarginOf } from './margins';
import type { Margin, Option } from './option';
import { hdCameraItem, labour } from './priceBook';

const polarity = 'Check polarity before power; reversed polarity destroys cameras.';
const oneFormat = 'Set the same format and line standard at both ends before the picture is lost.';

/** Keep what hangs there: its picture at today's format and its volts by night must hold. */
export function keepOption(context: Context): Option {
  const { camera, source } = context;
  if (camera.worthKeeping === 'no') return impossible('keep', 'worn out', 'The survey says this camera is not worth keeping.');
  const cautions = source.current === camera.supply.current ? [] : ['An AC camera never goes on a DC rail, nor the reverse.'];
  if (camera.microphone) cautions.push('Its microphone: recording sound is restricted by law in many places. Ask before keeping it.');
  return possible(context, {
    kind: 'keep', margins: [pictureMarginOf(context, pictureFormat(camera.format)), keptVoltsMargin(context)],
    parts: [], work: [], signal: { kind: 'coax', format: camera.format }, says: 'Nothing is bought; picture and power stay as they are.', cautions,
    remedy: (binding) => (binding.unit === 'V' ? 'a heavier or second pair for the power, a supply nearer the camera, or a trimmed supply' : 'a lower picture format or a shorter run'),
  });
}

/** HD formats some recorder at the head end takes, up to the one the view deserves, best first. */
function formatsOnOffer({ recorders, target }: Context): PictureFormat[] {
  const best = pictureFormats.findIndex(({ id }) => id === target.hd.bestFormat);
  return pictureFormats.filter(({ id }, index) => id !== 'cvbs' && index <= best && recorders.some(({ accepts }) => accepts.includes(id))).reverse();
}

/** The best format that arrives clean, else the best that still holds, else the least demanding one. */
function formatThatFits(context: Context, formats: readonly PictureFormat[]): { format: PictureFormat; margin: Margin } {
  let close: { format: PictureFormat; margin: Margin } | undefined;
  let last: { format: PictureFormat; margin: Margin } | undefined;
  for (const format of formats) {
    last = { format, margin: pictureMarginOf(context, format) };
    if (last.margin.standing === 'holds') return last;
    if (last.margin.standing === 'close') close ??= last;
  }
  return close ?? last!;
}

function newHdCamera(context: Context, kind: OptionKind, extras: { parts: { item: 'balun'; count: number }[]; work: (typeof labour)[keyof typeof labour][]; says: string }): Option {
  const { camera, target } = context;
  const formats = formatsOnOffer(context);
  if (formats.length === 0) return impossible(kind, 'no HD input', 'No recorder at this head end takes an HD-over-coax format.');
  const { format, margin } = formatThatFits(context, formats);
  const lowered = format.id === target.hd.bestFormat ? [] : [`Lowered to ${format.label}; the view deserves more.`];
  return possible(context, {
    kind, margins: [margin, nightVoltsMargin(context, figure('new camera by night', target.hd.nightWatts, 'W', 'typical'))],
    parts: [{ item: hdCameraItem(camera.target), count: 1 }, ...extras.parts], work: [labour.swapHdCamera, ...extras.work],
    signal: { kind: 'coax', format: format.id }, says: `${extras.says}, ${format.label}.`, cautions: [...lowered, oneFormat, polarity],
    remedy: (binding) => (binding.unit === 'V' ? 'a camera that takes less, a heavier pair, or a supply nearer the camera' : 'a shorter run or heavier coax'),
  });
}

/** A new HD-over-coax camera on the coax and the power that are there. */
export function hdCoaxOption(context: Context): Option {
  if (lineKind(context.run) !== 'coax') return impossible('hd-coax', 'not coax', 'The run is not coax all the way.');
  return newHdCamera(context, 'hd-coax', { parts: [], work: [], says: 'New camera on the same coax and power' });
}

/** A new HD-over-coax camera through a balun at each end of category cable. */
export function balunOption(context: Context): Option {
  if (lineKind(context.run) !== 'pair') return impossible('baluns', 'no Cat', 'There is no category cable to this camera.');
  return newHdCamera(context, 'baluns', { parts: [{ item: 'balun', count: 2 }], work: [labour.fitBaluns], says: 'New camera through a balun at each end' });
}
