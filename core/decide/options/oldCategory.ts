import { hasCladPairs, pairLengthFigure, pairStretches } from '#core/test/findings';
import { worst, type Figure } from '#core/shared/derivation';
import type { WarmStretch } from '#core/physics/signal';
import { infeasible, feasible } from './build';
import type { Context } from './context';
import { cableIpYears, ipSignal, isolate, mainsObstacle, surge, tooLongM, wishesOf } from './ip';
import { lineObstacle } from './lineObstacle';
import { channelMargin, poeMargin } from './margins';
import type { InfeasibleOption, Margin, Option, SharedPort } from './option';
import { withPort } from './strongPort';

type OnOldCategory = 'ip-category' | 'long-reach';

const lookAlike =
  'Copper-clad aluminium is outside the cabling standards; expect heat in bundles and brittle ends.';

/** So many powered cables in one bundle no longer warm each other by nothing. Source: ISO/IEC TS 29125; TIA TSB-184-A bundles 24. */
const warmFrom = 7;
const bundleOf = 24;

const heatTogether = (count: number): string[] =>
  count < warmFrom
    ? []
    : [
        `${count} powered cables lie together and warm each other: bundles of at most ${bundleOf}, loose, none in insulation.`,
      ];

const lengthSpread = ({ run }: Context): number => Math.hypot(...run.segments.map(({ spreadM }) => spreadM));

/** No standard knows it as a conductor: what its figures promise it does not keep for good. */
const neverMoreThanClose = (margin: Margin): Margin => ({
  ...margin,
  status: worst([margin.status, 'close']),
  derivation: () => {
    const derivation = margin.derivation();
    return { ...derivation, conclusion: `${derivation.conclusion} ${lookAlike}` };
  },
});

/** Ethernet with power takes all four pairs: a cable whose other pairs carry other cameras is not this one's alone. */
function sharedCableObstacle({ around }: Context, kind: OnOldCategory): InfeasibleOption | undefined {
  const others = around.onSameCable();
  if (others.length === 0) return undefined;
  const who = `camera${others.length > 1 ? 's' : ''} ${others.join(', ')}`;
  return infeasible(
    kind,
    'shared cable',
    `Its cable carries ${who} on other pairs, and Ethernet with power takes all four.`,
    `${who} moved off the cable first, or a field switch where they hang together`,
  );
}

/** What an option on the category cable that is there has of its own. */
interface OldCategory {
  kind: OnOldCategory;
  of: SharedPort['of'];
  /** How far its port reaches over these metres, which may be off by so much; asked unless a certifier has read this very link. */
  reach: (stretches: readonly WarmStretch[], from: Figure['from'], spreadM: number) => Margin;
  margins: readonly Margin[];
  message: string;
  cautions: readonly string[];
  remedy: (binding: Margin) => string;
}

/** Why no IP camera goes on the category cable that is there: it is none, others are on it, or no switch has mains. */
export const oldCategoryObstacle = (context: Context, kind: OnOldCategory): InfeasibleOption | undefined =>
  lineObstacle(context, kind, 'pair') ??
  sharedCableObstacle(context, kind) ??
  mainsObstacle(kind, context.headEnd, 'PoE switch');

/** Data and power over the category cable that is there, from a port at its head end. */
export function onOldCategory(context: Context, own: OldCategory): Option {
  const {
    run,
    need: { ip },
    headEnd,
    place,
    readings,
  } = context;
  const { kind, of } = own;
  const obstacle = oldCategoryObstacle(context, kind);
  if (obstacle) return obstacle;
  const stretches = pairStretches(run, readings);
  const length = pairLengthFigure(run, readings);
  const { margin, sourceWatts } = poeMargin(stretches, ip, length, readings['poe-load-watts']?.value);
  const camera = context.newCameras.ip;
  const isClad = hasCladPairs(run);
  return withPort(
    context,
    feasible(context, {
      kind,
      margins: [
        ...(readings['insertion-loss-db'] && kind === 'ip-category'
          ? []
          : [own.reach(stretches, length.from, length.from === 'measured' ? 0 : lengthSpread(context))]),
        ...own.margins,
        isClad ? neverMoreThanClose(margin) : margin,
      ],
      parts: [...camera.parts, { item: 'category-ends', count: 1 }],
      work: [...camera.work, 'prepare-pair-ends'],
      lifeYears: cableIpYears,
      megapixels: ip.product.megapixels,
      shared: { of, placeId: headEnd.id, sourceWatts, mbps: ip.mbps },
      signal: ipSignal(context),
      message: own.message,
      cautions: [
        ...own.cautions,
        ...(isClad ? [lookAlike] : []),
        ...heatTogether(context.around.pairsTogether()),
        isolate,
        ...(place.environment === 'indoor' ? [] : [surge]),
        ...wishesOf(context),
      ],
      remedy: own.remedy,
    }),
  );
}

/** PoE over the category cable that is there. */
export const ipCategoryOption = (context: Context): Option =>
  onOldCategory(context, {
    kind: 'ip-category',
    of: 'poe-switch',
    reach: channelMargin,
    margins: [],
    message: 'The baluns come off; the cable is terminated, tested and fed from a PoE port.',
    cautions: [],
    remedy: (binding) =>
      binding.kind === 'channel'
        ? `a switch nearer by ${tooLongM(binding)} m, in a closet with mains, or a port that reaches further at a lower rate`
        : 'a camera of a lower class, or heavier cable',
  });
