import {
  formatMegapixels,
  pictureFormat,
  pictureFormats,
  type PictureFormat,
  type SentPicture,
} from '#core/physics/signal';
import { sentToday, type OptionKind } from '#core/model/site';
import { infeasible, feasible } from './build';
import type { Context } from './context';
import { ampsOf, drawsOf, loadsOf, newLoads } from './draws';
import { hdFeed } from './hdFeed';
import { lineBinding } from './lineMargins';
import { gearObstacle, lineObstacle } from './lineObstacle';
import { feedMargin, keptVoltsMargin, nightVoltsMargin, pictureMarginOf, windowMargins } from './margins';
import type { InfeasibleOption, KeptCamera, Margin, MarginKind, Option } from './option';
import type { Part } from './part';
import { hdYears, likeCamera } from './successor';

const polarity = 'Check polarity before power; reversed polarity destroys cameras.';
const oneFormat = 'Set the same format and line standard at both ends before the picture is lost.';

/** Years until what hangs there is due. Judgement: an analog camera on an old site is near its end. */
export const keptYears = 3;

export const vandalProof = 'The view asks for a vandal-resistant body: pick the model for it.';
export const soundCaution =
  'Its microphone: recording sound is restricted by law in many places. Ask before keeping it.';

const feedRemedies: Partial<Record<MarginKind, string>> = {
  'feed-amps': 'a stronger adapter, or another output with a larger fuse where the cores bear it',
  'start-volts': 'a heavier or second pair for the power, or a supply nearer the camera',
  'highest-volts': 'the supply set lower where its other cameras bear that, or a regulator at the camera',
};
const feedRemedy = ({ kind }: Margin): string | undefined => feedRemedies[kind];

export const wornOut = (kind: OptionKind): InfeasibleOption =>
  infeasible(kind, 'worn out', 'The survey says this camera is not worth keeping.', 'a new camera');

/** What has to hold of a camera that stays on its cable and its power, and what to mind. */
export function keptCamera(context: Context): KeptCamera {
  const { camera, source } = context;
  const cautions =
    source.current === camera.supply.current
      ? []
      : ['An AC camera never goes on a DC rail, nor the reverse.'];
  if (camera.microphone) cautions.push(soundCaution);
  const loads = loadsOf(camera);
  const drawn = ampsOf(context, loads);
  return {
    margins: [
      pictureMarginOf(context, pictureFormat(camera.format)),
      keptVoltsMargin(context),
      ...windowMargins(context, camera.supply.window, loads, 'there'),
      feedMargin(context, drawn),
    ],
    draws: drawsOf(context, drawn),
    fedLocally: context.run.feed.kind === 'local-adapter',
    cautions,
    remedy: (binding) =>
      feedRemedy(binding) ??
      (binding.kind === 'night-volts'
        ? 'a heavier or second pair for the power, a supply nearer the camera, or a trimmed supply'
        : 'a lower picture format or a shorter run'),
  };
}

/** Keep what hangs there: its picture at today's format and its volts by night must hold. */
export function keepOption(context: Context): Option {
  const { camera } = context;
  if (camera.worthKeeping === 'no') return wornOut('keep');
  const { margins, draws, fedLocally, cautions, remedy } = context.kept();
  return feasible(context, {
    kind: 'keep',
    margins,
    draws,
    fedLocally,
    cautions,
    remedy,
    parts: [],
    work: [],
    signal: { kind: 'coax', ...sentToday(camera) },
    megapixels: formatMegapixels(camera.format),
    lifeYears: keptYears,
    successor: likeCamera(context),
    message:
      lineBinding(context, 'keep').parts.length > 0
        ? 'An isolator goes into the line; picture and power stay as they are.'
        : 'Nothing is bought; picture and power stay as they are.',
  });
}

/** HD formats that the policy lets a view have, best first. */
function formatsOnOffer({ hdFormats, policies }: Context): readonly PictureFormat[] {
  const offered = hdFormats();
  return policies.format === 'replace' ? offered.slice(0, 1) : offered;
}

/** The best format that arrives clean, else the best that still holds, else the least demanding one. */
function formatThatFits(
  context: Context,
  formats: readonly PictureFormat[],
): { format: PictureFormat; margin: Margin } {
  let close: { format: PictureFormat; margin: Margin } | undefined;
  let last: { format: PictureFormat; margin: Margin } | undefined;
  for (const format of formats) {
    last = { format, margin: pictureMarginOf(context, format) };
    if (last.margin.status === 'holds') return last;
    if (last.margin.status === 'close') close ??= last;
  }
  return close ?? last!;
}

/** No input for a new HD camera: none that takes such a picture, or none that understands its scheme. */
function noInput({ takes, need }: Context, kind: OptionKind): InfeasibleOption {
  const understoodBySome = pictureFormats.some(
    ({ id, family }) => family === 'analog-hd' && takes({ format: id }) !== 'no',
  );
  return understoodBySome && need.hd.product.schemes
    ? infeasible(
        kind,
        'other scheme',
        'No recorder at this head end understands the HD scheme of the new camera.',
        'a camera of a scheme that the recorder understands',
      )
    : infeasible(
        kind,
        'no HD input',
        'No recorder at this head end takes an HD-over-coax format.',
        'a recorder there that does',
      );
}

const schemeUnread =
  'Three HD schemes do not understand each other, and it is not noted which the recorder or the camera speaks. Read both sheets before it is bought.';

function newHdCamera(
  context: Context,
  kind: OptionKind,
  extras: { parts: Part[]; work: string[]; message: string },
): Option {
  const { need, policies } = context;
  const formats = formatsOnOffer(context);
  if (formats.length === 0) return noInput(context, kind);
  const feed = hdFeed(context, kind);
  if ('state' in feed) return feed;
  const { format, margin } = formatThatFits(context, formats);
  const camera = context.newCameras.hd;
  const loads = newLoads(context, feed);
  const drawn = ampsOf(context, loads);
  const { schemes } = need.hd.product;
  const sent: SentPicture = { format: format.id, ...(schemes ? { schemes } : {}) };
  const lowered = format.id === need.hd.format ? [] : [`Lowered to ${format.label}; the view deserves more.`];
  return feasible(context, {
    kind,
    margins: [
      margin,
      nightVoltsMargin(context, feed.watts, feed.heaterWatts, feed.window),
      ...windowMargins(context, feed.window, loads, 'new'),
      feedMargin(context, drawn),
    ],
    parts: [...camera.parts, ...extras.parts, ...feed.parts],
    work: [...camera.work, ...extras.work, ...feed.work],
    lifeYears: hdYears,
    signal: { kind: 'coax', ...sent },
    megapixels: Math.min(need.hd.product.megapixels, formatMegapixels(format.id)),
    draws: drawsOf(context, drawn),
    fedLocally: context.run.feed.kind === 'local-adapter',
    message: `${extras.message}, ${format.label}.`,
    cautions: [
      ...feed.cautions,
      ...lowered,
      ...(context.takes(sent) === 'unknown' ? [schemeUnread] : []),
      oneFormat,
      polarity,
      ...(need.audio ? [soundCaution] : []),
      ...(need.vandal ? [vandalProof] : []),
    ],
    remedy: (binding) =>
      feedRemedy(binding) ??
      (binding.kind === 'night-volts'
        ? 'a camera that takes less, a heavier pair, or a supply nearer the camera'
        : policies.format === 'replace'
          ? 'a lower picture format, a shorter run or heavier coax'
          : 'a shorter run or heavier coax'),
  });
}

/** A new HD-over-coax camera on the coax and the power that are there. */
export function hdCoaxOption(context: Context): Option {
  return (
    lineObstacle(context, 'hd-coax', 'coax') ??
    gearObstacle(context, 'hd-coax', ({ passes }) => passes.picture === 'any') ??
    newHdCamera(context, 'hd-coax', { parts: [], work: [], message: 'New camera on the same coax and power' })
  );
}

/** A new HD-over-coax camera through a balun at each end of category cable. */
export function balunOption(context: Context): Option {
  return (
    lineObstacle(context, 'baluns', 'pair') ??
    newHdCamera(context, 'baluns', {
      parts: [{ item: 'balun', count: 2 }],
      work: ['fit-baluns'],
      message: 'New camera through a balun at each end',
    })
  );
}
