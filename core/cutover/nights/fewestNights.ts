import { smallestConflict } from '#core/solver';
import { assignmentOf, leastNights, type NightCosts, type ToAssign } from './assignment';
import {
  cheapest,
  worked,
  type Effort,
  type Found,
  type NightSearch,
  type PlannedNight,
} from './cheapestNights';
import { firstFit } from './firstFit';
import { leastForeseen, roomyPatterns } from './foreseen';
import { quickNight, type KnownNights } from './knownNights';
import type { NightDemand } from './nightDemand';

/** Whether there is any way at all. */
const byNothing: NightCosts = { lift: 0, place: 0 };

/** So many times fewer nights are tried, before it is sought to show that there are none. */
const quickRounds = 6;
/** This much of the time goes into fewer nights; the rest is for lifts and ways. */
const partForNights = 0.7;

export interface Fewest {
  kind: 'fits';
  nights: PlannedNight[];
  count: number;
  /** As many there have to be, as far as was shown. */
  least: number;
}

/** Nights as they are filled without looking ahead; `null` where those are more than there are. */
export function plainNights(asked: ToAssign, most: number, known: KnownNights): Fewest | null {
  const plain = firstFit(asked, most, (some) => quickNight(some, asked, known) !== null);
  const least = leastNights(asked.jobs, asked.crew, asked.rules, []);
  return plain && { kind: 'fits', nights: worked(plain, asked, known), count: plain.length, least };
}

/**
 * The fewest nights: one fewer than those of a plain order for as long as some are found, and then it is sought to show that there is no
 * way in fewer, from as many as there have to be.
 */
export function fewestNights(
  search: NightSearch,
  { most, plain }: { most: number; plain: Fewest | null },
  secondsLeft: () => number,
  tell: (found: Fewest) => void,
): Fewest | { kind: 'conflict'; demands: NightDemand[] } {
  const { highs, asked, known, foreseen } = search;
  const all = secondsLeft();
  const forNights = () => secondsLeft() - (1 - partForNights) * all;
  const tried = (count: number, effort: Omit<Effort, 'secondsLeft'>): Found =>
    cheapest(search, count, byNothing, { secondsLeft: forNights, ...effort });
  // Where a night may have been held too much that is not, nothing rests on what was found with it.
  let least = known.isExact
    ? leastForeseen(highs, asked, foreseen)
    : leastNights(asked.jobs, asked.crew, asked.rules, []);
  let found = plain;
  let isConflict = least > most;
  const tellSoFar = (): void => {
    if (found) tell({ ...found, least });
  };
  const take = (fewer: Found, count: number): void => {
    if (fewer.kind === 'fits') found = { kind: 'fits', nights: fewer.nights, count, least };
    else if (fewer.kind === 'infeasible') {
      if (known.isExact) least = count + 1;
      isConflict ||= count === most;
    }
    tellSoFar();
  };
  tellSoFar();
  const isFewest = found !== null && found.count <= least;
  const roomy = isFewest ? null : roomyPatterns(asked, known, foreseen, secondsLeft);
  for (let isBetter = true; isBetter && forNights() > 0;) {
    const count = found ? found.count - 1 : most;
    if (count < least) break;
    const fewer = tried(count, { rounds: quickRounds, roomy });
    isBetter = fewer.kind === 'fits';
    // That there are none with so much room says nothing of others.
    if (isBetter || !roomy) take(fewer, count);
  }
  for (let count = least; count < (found?.count ?? most + 1) && forNights() > 0; count += 1) {
    const fewer = tried(count, {});
    if (fewer.kind === 'out-of-time') break;
    take(fewer, count);
  }
  if (found) return { ...found, least };
  if (!isConflict) return { kind: 'conflict', demands: [] };
  const { programme, demands } = assignmentOf(asked, most, foreseen.cuts, byNothing);
  return { kind: 'conflict', demands: demands.of(smallestConflict(highs, programme)) };
}
