import type { Highs } from 'highs';
import type { Programme } from '#core/solver';
import { assignmentOf, type NightCosts, type ToAssign } from './assignment';
import { beyondNight, type Beyond } from './beyondNight';
import { calmNight } from './calmNight';
import { cheapest, type PlannedNight } from './cheapestNights';
import { fewestNights, plainNights } from './fewestNights';
import { foreseenOf } from './foreseen';
import { nothingKnown } from './knownNights';
import type { NightDemand } from './nightDemand';

/** How sure it is that nights are the best: by their number and their ways, by their number alone, or to within so many percent. */
export type NightsProof =
  { kind: 'proven' } | { kind: 'fewest'; waysPercent: number } | { kind: 'gap'; percent: number };

export type NightsPlan =
  | {
      kind: 'planned';
      nights: PlannedNight[];
      proof: NightsProof;
    }
  /** What stands against it, by jobs: each alone is too much. */
  | { kind: 'impossible'; jobs: Beyond[] }
  /** Demands of which one has to go. */
  | { kind: 'conflict'; demands: NightDemand[] };

/** What nights are asked for. */
export interface NightsAsked extends ToAssign {
  /** Nights at most. */
  nights: number;
}

/** How long is searched where nobody says. */
const usualSeconds = 60;

/** Lifts, each worth a walk to twenty places. */
const byWays: NightCosts = { lift: 20, place: 1 };

/** So long at most fewer lifts and ways are sought, once it is known how many nights there are. */
const waysSeconds = 12;

/**
 * The fewest nights for all jobs, and of those the ones with the fewest lifts and ways between places. Both are proven, or the plan says by how
 * much it may be above the best. A night is too much, and any with more in it, where the order that is over soonest is not sure enough.
 * `better` hears of the best so far and of how many nights there have to be.
 */
export function planNights(
  highs: Highs,
  asked: NightsAsked,
  secondsLeft: () => number = () => usualSeconds,
  better: (nights: readonly PlannedNight[], least: number) => void = () => undefined,
): NightsPlan {
  const known = nothingKnown();
  const beyond = beyondNight(asked, known);
  if (beyond.length > 0) return { kind: 'impossible', jobs: beyond };
  const plain = plainNights(asked, asked.nights, known);
  if (plain) better(plain.nights, plain.least);
  const search = { highs, asked, known, foreseen: foreseenOf(asked, known, secondsLeft) };
  const few = fewestNights(search, { most: asked.nights, plain }, secondsLeft, ({ nights, least }) =>
    better(nights, least),
  );
  if (few.kind !== 'fits') return few;
  const leftAfterWays = Math.max(0, secondsLeft() - waysSeconds);
  const short = cheapest(search, few.count, byWays, {
    secondsLeft: () => secondsLeft() - leftAfterWays,
  });
  const nights = (short.kind === 'fits' ? short.nights : few.nights).map((night) => calmed(night, asked));
  // Where a night may have been held too much that is not, nothing rests on what was found with it.
  const leastWays = known.isExact && short.kind !== 'infeasible' ? short.least : 0;
  return { kind: 'planned', nights, proof: proofOf(few.count, few.least, waysOf(nights), leastWays) };
}

function proofOf(count: number, least: number, ways: number, leastWays: number): NightsProof {
  if (count > least) return { kind: 'gap', percent: (100 * (count - least)) / count };
  const over = ways - leastWays;
  return over < 1e-6 ? { kind: 'proven' } : { kind: 'fewest', waysPercent: (100 * over) / ways };
}

/** A night with its jobs in the order that leaves views dark for the fewest minutes. */
const calmed = (night: PlannedNight, { crew, rules }: NightsAsked): PlannedNight => {
  const calm = calmNight(
    night.jobs.map(({ job }) => job),
    crew,
    rules,
  );
  return calm ? { ...night, ...calm } : night;
};

/** The programme that is solved first for so many nights, with the fewest lifts and ways: for solvers of another make. */
export function nightsProgramme(asked: NightsAsked, nights: number): Programme {
  const { cuts, patterns } = foreseenOf(asked, nothingKnown());
  return assignmentOf(asked, nights, cuts, byWays, { patterns }).programme;
}

/** What lifts and places of nights come to. */
function waysOf(nights: readonly PlannedNight[]): number {
  return nights.reduce((sum, { jobs }) => {
    const lifts = new Set(jobs.flatMap(({ job }) => job.lift ?? []));
    return sum + byWays.lift * lifts.size + byWays.place * new Set(jobs.map(({ job }) => job.place)).size;
  }, 0);
}
