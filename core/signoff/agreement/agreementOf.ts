import { movedBy } from './movedBy';
import { sharedShift, type SharedShift } from './sharedShift';
import { reasonFor } from './reasons';
import type { MarginKind } from '#core/decide/options';
import type { AcceptanceCheckId } from '#core/model/site';
import { asKnown } from '#core/test/scenarios';
import {
  deviationsBehind,
  driverOf,
  isInside,
  meetsBounds,
  predictedOf,
  type Deviation,
  type Driver,
  type FigureBounds,
  type Foretold,
  type Meets,
  type Predicted,
} from '#core/signoff/predicted';

/** What runs have in common, by which they may be off together. */
export interface Kinship {
  by: 'reel' | 'print' | 'installer' | 'supply' | 'place' | 'cable';
  name: string;
}

/** A figure of a camera that is predicted, and what was read of it if anybody did. */
export interface PredictedFigure extends Foretold {
  cameraId: string;
  number: number;
  check: AcceptanceCheckId;
  limit: FigureBounds;
  read: number | null;
  /** What the run shares with others, what tells most of it first. */
  kin: readonly Kinship[];
}

/** A camera that nobody has read yet, as it is expected by what was read of its like. */
export interface Expected {
  cameraId: string;
  number: number;
  before: Predicted;
  now: Predicted;
  meets: Meets;
}

/** Figures that are off to one side together. */
export interface SharedDifference {
  check: AcceptanceCheckId;
  kin: Kinship;
  /** What the figures speak of. */
  driver: Driver;
  numbers: number[];
  /** How far readings lie from what was predicted, in percent, on average. */
  percent: number;
  /** What they share, in standard deviations. */
  shift: SharedShift;
  reason: string;
  toCome: Expected[];
}

/** A reading outside the interval that was to hold nine in ten, with what most likely stands behind it. */
export interface Outlier {
  cameraId: string;
  check: AcceptanceCheckId;
  reason: string;
}

/** How readings of a site agree with what was predicted. */
export interface Agreement {
  /** Readings that lie in the interval that was to hold nine in ten, of all that had one. */
  inside: number;
  of: number;
  outliers: Outlier[];
  differences: SharedDifference[];
}

/** Fewer runs than these tell of nothing shared. */
const fewestAlike = 2;
/** A shared part is told from this many of its standard deviations on. */
const toldFrom = 2;

type Read = PredictedFigure & { read: number; deviation: Deviation };

const isRead = (figure: PredictedFigure): figure is PredictedFigure & { read: number } =>
  figure.read !== null;

export const kinKey = ({ by, name }: Kinship): string => `${by} ${name.toLowerCase()}`;

function expected(figure: PredictedFigure, shift: SharedShift): Expected {
  const { cameraId, number, limit } = figure;
  const { before, now } = movedBy(figure, shift)!;
  return { cameraId, number, before, now, meets: meetsBounds(limit, now) };
}

const percentOff = (read: readonly Read[]): number =>
  (100 * read.reduce((sum, one) => sum + one.read / one.margin.valueUnder(asKnown) - 1, 0)) / read.length;

/** The kinship by which these runs are off furthest for its own uncertainty, if any is far enough. */
function furthest(read: readonly Read[]): { kin: Kinship; read: Read[]; shift: SharedShift } | null {
  const groups = new Map<string, { kin: Kinship; read: Read[] }>();
  for (const one of read)
    for (const kin of one.kin) {
      const group = groups.get(kinKey(kin)) ?? { kin, read: [] };
      group.read.push(one);
      groups.set(kinKey(kin), group);
    }
  const told = [...groups.values()]
    .filter((group) => group.read.length >= fewestAlike)
    .map((group) => ({ ...group, shift: sharedShift(group.read.map(({ deviation }) => deviation)) }))
    .filter(({ shift }) => Math.abs(shift.mean) >= toldFrom * shift.deviation);
  const sureness = ({ shift }: (typeof told)[number]): number => Math.abs(shift.mean) / shift.deviation;
  return told.reduce<(typeof told)[number] | null>(
    (best, one) => (best && sureness(best) >= sureness(one) ? best : one),
    null,
  );
}

/** Differences of one kind of figure, the plainest first; runs that one explains are not counted for another. */
function differencesIn(kind: MarginKind, figures: readonly PredictedFigure[]): SharedDifference[] {
  const differences: SharedDifference[] = [];
  let left = figures.filter(isRead).flatMap((figure): Read[] => {
    const deviation = deviationsBehind(figure, figure.read);
    return deviation ? [{ ...figure, deviation }] : [];
  });
  for (let found = furthest(left); found; found = furthest(left)) {
    const { kin, read, shift } = found;
    const explained = new Set(read);
    differences.push({
      check: read[0]!.check,
      kin,
      driver: driverOf(kind)!,
      numbers: read.map(({ number }) => number).sort((a, b) => a - b),
      percent: percentOff(read),
      shift,
      reason: reasonFor(kind, shift.mean > 0),
      toCome: figures
        .filter((one) => !isRead(one) && one.kin.some((other) => kinKey(other) === kinKey(kin)))
        .map((one) => expected(one, shift)),
    });
    left = left.filter((one) => !explained.has(one));
  }
  return differences;
}

/** Figures of light grow with what is behind them, all others fall. */
const growsWith = (kind: MarginKind): boolean => kind === 'light-loss';

const outlierOf = ({ cameraId, check, margin, read }: PredictedFigure & { read: number }): Outlier => {
  const isHigher = read > margin.valueUnder(asKnown);
  return { cameraId, check, reason: reasonFor(margin.kind, isHigher === growsWith(margin.kind)) };
};

/**
 * How readings agree with what was predicted: how many lie in their intervals, which are off together and by what they share, and what
 * that makes of runs that nobody has read yet.
 */
export function agreementOf(figures: readonly PredictedFigure[]): Agreement {
  const read = figures.filter(isRead);
  const kinds = new Set(figures.map(({ margin }) => margin.kind));
  const outside = read.filter((one) => !isInside(predictedOf(one), one.read));
  return {
    inside: read.length - outside.length,
    of: read.length,
    outliers: outside.map(outlierOf),
    differences: [...kinds].flatMap((kind) =>
      differencesIn(
        kind,
        figures.filter(({ margin }) => margin.kind === kind),
      ),
    ),
  };
}
