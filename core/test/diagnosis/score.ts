import type { Cause } from './causes';
import { ninetyPercent } from './density';

/** A run whose troubles are known: what each is, where, and the causes that are right for it. */
export interface KnownRun {
  run: string;
  troubles: { cause: Cause; atM: number | null }[];
}

/** What was said of a run: every cause with how likely it is present, and where. */
export interface SaidOfRun {
  run: string;
  causes: { cause: Cause; probability: number; atM: number | null; spreadM: number | null }[];
}

/** How good a diagnosis is; shares are of one, and `null` where there was nothing to count. */
export interface JudgementScore {
  runs: number;
  right: number;
  faultyRight: number;
  /** Sound runs of which a trouble was said, and faulty ones that were called sound. */
  madeUp: number;
  calledSound: number;
  /** How far the chance of what was named is from how often it was right, over ten bins. */
  calibrationError: number;
  /** Metres within a metre or a hundredth, and within the 90 % that were stated. */
  metreNear: number | null;
  metreCovered: number | null;
  /** Of runs with two troubles: one of them named first, and both named first. */
  oneFirst: number | null;
  bothFirst: number | null;
}

const binCount = 10;
const share = (part: number, of: number): number | null => (of === 0 ? null : part / of);

const mostLikely = ({ causes }: SaidOfRun) => [...causes].sort((a, b) => b.probability - a.probability);

function calibrationErrorOf(named: readonly { stated: number; isRight: boolean }[]): number {
  const bins = Array.from({ length: binCount }, () => ({ stated: 0, right: 0 }));
  for (const { stated, isRight } of named) {
    const bin = bins[Math.min(binCount - 1, Math.floor(stated * binCount))]!;
    bin.stated += stated;
    bin.right += Number(isRight);
  }
  return bins.reduce((sum, bin) => sum + Math.abs(bin.stated - bin.right), 0) / Math.max(1, named.length);
}

/** Scores what was said of runs whose truth is known. A run of which nothing was said counts as wrong. */
export function scoreOf(known: readonly KnownRun[], said: readonly SaidOfRun[]): JudgementScore {
  const saidOf = new Map(said.map((one) => [one.run, mostLikely(one)]));
  const topOf = ({ run }: KnownRun, count: number) => (saidOf.get(run) ?? []).slice(0, count);
  const single = known
    .filter(({ troubles }) => troubles.length < 2)
    .map((one) => {
      const [top] = topOf(one, 1);
      const cause = one.troubles[0]?.cause ?? 'sound';
      return { atM: one.troubles[0]?.atM ?? null, cause, top, isRight: top?.cause === cause };
    });
  const faulty = single.filter(({ cause }) => cause !== 'sound');
  const sound = single.filter(({ cause }) => cause === 'sound');
  const located = faulty.flatMap(({ top, atM, isRight }) =>
    isRight && atM !== null && top!.atM !== null
      ? [{ off: Math.abs(top!.atM - atM), atM, within: ninetyPercent * (top!.spreadM ?? 0) }]
      : [],
  );
  const double = known.filter(({ troubles }) => troubles.length === 2);
  const countOf = <T>(all: readonly T[], is: (one: T) => boolean): number => all.filter(is).length;
  const isNamed = (one: KnownRun, count: number, at: number): boolean =>
    topOf(one, count).some(({ cause }) => cause === one.troubles[at]!.cause);
  return {
    runs: known.length,
    right:
      share(
        countOf(single, ({ isRight }) => isRight),
        single.length,
      ) ?? 0,
    faultyRight:
      share(
        countOf(faulty, ({ isRight }) => isRight),
        faulty.length,
      ) ?? 0,
    madeUp:
      share(
        countOf(sound, ({ isRight }) => !isRight),
        sound.length,
      ) ?? 0,
    calledSound:
      share(
        countOf(faulty, ({ top }) => top?.cause === 'sound'),
        faulty.length,
      ) ?? 0,
    calibrationError: calibrationErrorOf(
      single.map(({ top, isRight }) => ({ stated: top?.probability ?? 0, isRight })),
    ),
    metreNear: share(
      countOf(located, ({ off, atM }) => off <= Math.max(1, 0.01 * atM)),
      located.length,
    ),
    metreCovered: share(
      countOf(located, ({ off, within }) => off <= within),
      located.length,
    ),
    oneFirst: share(
      countOf(double, (one) => isNamed(one, 1, 0) || isNamed(one, 1, 1)),
      double.length,
    ),
    bothFirst: share(
      countOf(double, (one) => isNamed(one, 2, 0) && isNamed(one, 2, 1)),
      double.length,
    ),
  };
}
