import { catalogueOf, labourRateOf, type Catalogue } from '#core/model/catalogue';
import { hasOwnCamera, type OptionKind, type Site } from '#core/model/site';
import type { FeasibleOption } from '#core/decide/options';
import { drawFailures, type DrawnCamera } from '#core/decide/risk';
import type { RunEvaluation } from '#core/decide/runEvaluation';

/** A test that makes part of the reserve unnecessary, if it finds what was hoped for. */
export interface Release {
  cameraId: string;
  number: number;
  name: string;
  test: DrawnCamera['test'];
  amount: number;
}

/** What may come on top because figures are not known exactly. */
export interface Contingency {
  /** What is reckoned with in the middle of all cases, which the base price holds. */
  median: number;
  /** What more is kept so that four cases in five are paid for. */
  reserve: number;
  /** Tests that release some of the reserve, the most first. */
  releases: Release[];
}

const draws = 4000;
const seed = 11;
const keptShare = 0.8;

/** Hours of a journey and of putting back what was begun. Judgement. */
const wastedHours = 3;

/** What it costs when a choice turns out not to hold: the work is lost, and the cheapest other that holds is built. */
function remedyCost(catalogue: Catalogue, run: RunEvaluation, option: FeasibleOption): number {
  const others = run.options.flatMap((one) =>
    one.kind !== option.kind && hasOwnCamera(one.kind) && one.state === 'holds' ? [one.cost] : [],
  );
  const rate = labourRateOf(catalogue).day;
  return Math.round(
    (wastedHours + option.ownHours / 2) * rate + (others.length > 0 ? Math.min(...others) : option.cost),
  );
}

/** The sum below which such a share of the cases lies. */
const quantile = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)] ?? 0;

function reserveOf(sums: readonly number[]): { median: number; reserve: number } {
  const sorted = [...sums].sort((a, b) => a - b);
  const median = quantile(sorted, 0.5);
  return { median, reserve: quantile(sorted, keptShare) - median };
}

/**
 * What is kept for figures that may turn out otherwise: every scenario is priced by what has to be built again in it. The same choices
 * always give the same.
 */
export function contingencyOf(
  site: Site,
  runs: readonly RunEvaluation[],
  options: Readonly<Record<string, OptionKind>>,
): Contingency {
  const { cameras, failures } = drawFailures({ site, runs }, options, { count: draws, seed });
  const catalogue = catalogueOf(site);
  const costs = cameras.map(({ run, option }) => remedyCost(catalogue, run, option));
  const sumWithout = (left: number): number[] =>
    failures.map((failed) => failed.reduce((sum, k) => sum + (k === left ? 0 : costs[k]!), 0));
  const whole = reserveOf(sumWithout(-1));
  const releases = cameras.flatMap(({ run: { camera }, test }, k): Release[] => {
    if (!test) return [];
    const { median, reserve } = reserveOf(sumWithout(k));
    const amount = whole.median + whole.reserve - (median + reserve);
    return amount > 0
      ? [{ cameraId: camera.id, number: camera.number, name: camera.name, test, amount }]
      : [];
  });
  return { ...whole, releases: releases.sort((a, b) => b.amount - a.amount) };
}
