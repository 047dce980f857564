import type { Highs } from 'highs';
import { solve } from '#core/solver';
import { assignmentOf, type NightCosts, type ToAssign } from './assignment';
import type { Foreseen } from './foreseen';
import { nightOf, quickNight, type KnownNights, type Night } from './knownNights';
import { areMorningsHeld } from './morningLimits';
import type { NightJob } from './nightJob';
import type { NightPatterns } from './nightPatterns';
import { repaired } from './repaired';

/** A night as it is planned. */
export interface PlannedNight extends Night {
  /** Which of the nights it is, counted from 0. */
  night: number;
}

export type Found =
  | { kind: 'fits'; nights: PlannedNight[]; least: number }
  | { kind: 'infeasible' }
  | { kind: 'out-of-time'; least: number };

/** What nights are sought for, with what is known and foreseen of them. */
export interface NightSearch {
  highs: Highs;
  asked: ToAssign;
  known: KnownNights;
  foreseen: Foreseen;
}

/** How long and how often is searched. */
export interface Effort {
  secondsLeft: () => number;
  rounds?: number;
  /**
   * Only nights of these patterns are looked for, which have time for all ways, and what restarts has all that it waits for in a night
   * before: that is sooner found, and shows nothing where it is not.
   */
  roomy?: NightPatterns | null;
}

/** One programme is given so long at least. */
const leastSeconds = 0.5;

/** The fewest of some jobs that are too much for a night already: each is left out in turn, and stays out where it is too much without. */
function tooMuch(jobs: readonly NightJob[], fits: (jobs: readonly NightJob[]) => boolean): NightJob[] {
  let core = [...jobs];
  for (const job of [...jobs].sort((a, b) => a.minutes.likely - b.minutes.likely)) {
    const without = core.filter((other) => other !== job);
    if (!fits(without)) core = without;
  }
  return core;
}

/** The nights that something is done in, each under its own number: all of them are known to fit. */
export const worked = (
  nights: readonly (readonly NightJob[])[],
  asked: ToAssign,
  known: KnownNights,
): PlannedNight[] =>
  nights.flatMap((some, night) => (some.length > 0 ? [{ ...nightOf(some, asked, known)!, night }] : []));

/**
 * The cheapest share-out of jobs over so many nights at most, of which each night fits. A programme says which job is done in which night;
 * each of its nights is then put into its best order by itself. Those that do not fit send back the fewest of their jobs that are too much
 * together, and the programme is solved again. It leaves nothing out that could be done, so that its best is the best of all as soon as all
 * of its nights fit; `least` is what nothing can be below.
 *
 * Source: Hooker and Ottosson, “Logic-based Benders decomposition”, 2003.
 */
export function cheapest(
  { highs, asked, known, foreseen: { cuts, patterns } }: NightSearch,
  nights: number,
  costs: NightCosts,
  { secondsLeft, rounds = Infinity, roomy = null }: Effort,
): Found {
  const { jobs, mornings = [] } = asked;
  const fits = (some: readonly NightJob[]) => nightOf(some, asked, known) !== null;
  // Where nothing costs anything, any nights that fit will do.
  const isAnyGood = costs.lift === 0 && costs.place === 0;
  let least = 0;
  for (let round = 1; ; round += 1) {
    const { programme, variableOf } = assignmentOf(asked, nights, cuts, costs, {
      patterns: roomy ?? patterns,
      isRoomy: roomy !== null,
    });
    const solved = solve(highs, programme, { secondsMost: Math.max(leastSeconds, secondsLeft()) });
    if (solved.kind === 'infeasible') return { kind: 'infeasible' };
    if (solved.kind === 'nothing-found') return { kind: 'out-of-time', least };
    const bound = solved.kind === 'proven' ? solved.cost : solved.cost * (1 - solved.gapPercent / 100);
    least = Math.max(least, bound);
    const byNight = Array.from({ length: nights }, (_, night) =>
      jobs.filter((_, job) => solved.values[variableOf(job, night)] === 1),
    );
    const planned = byNight.map((some) => nightOf(some, asked, known));
    planned.forEach((night, index) => {
      if (night) return;
      const few = tooMuch(byNight[index]!, fits);
      cuts.push({ jobs: few.map(({ id }) => id), most: few.length - 1 });
    });
    if (planned.every((night) => night !== null))
      return { kind: 'fits', nights: worked(byNight, asked, known), least };
    const mended = isAnyGood ? repaired(byNight, (some) => quickNight(some, asked, known) !== null) : null;
    if (mended && areMorningsHeld(mornings, mended))
      return { kind: 'fits', nights: worked(mended, asked, known), least };
    if (round >= rounds || secondsLeft() <= 0) return { kind: 'out-of-time', least };
  }
}
