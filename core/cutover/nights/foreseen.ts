import type { Highs } from 'highs';
import { leastNights, type Cut, type ToAssign } from './assignment';
import { classCuts } from './classCuts';
import { groupCuts } from './groupCuts';
import { nightOf, type KnownNights } from './knownNights';
import { leastByPatterns } from './leastByPatterns';
import type { NightJob } from './nightJob';
import { nightPatterns, walkedPatterns, type NightPatterns } from './nightPatterns';

/** What is found of nights before any programme is solved. */
export interface Foreseen {
  /** What is too much for a night; programmes find more. */
  cuts: Cut[];
  /** Every way to fill a night, where those are few enough. */
  patterns: NightPatterns | null;
  /** Those with time for any ways between places, where the others leave out what those take. */
  walked: NightPatterns | null;
}

/** Ways to fill a night are sought for so much of the time. */
const partForPatterns = 0.4;

export function foreseenOf(
  asked: ToAssign,
  known: KnownNights,
  secondsLeft: () => number = () => Infinity,
): Foreseen {
  const { jobs } = asked;
  const isNight = (some: readonly NightJob[]) => nightOf(some, asked, known) !== null;
  const cuts = [...classCuts(jobs, isNight), ...groupCuts(jobs, isNight)];
  const leftAfter = (1 - partForPatterns) * secondsLeft();
  const look = { isNight, hasTime: () => secondsLeft() >= leftAfter };
  const patterns = nightPatterns(jobs, asked, look);
  return {
    cuts,
    patterns,
    walked: patterns && !patterns.arePlaced ? walkedPatterns(jobs, asked, look) : null,
  };
}

/** How many nights there have to be, by what is known of them beforehand. */
export const leastForeseen = (
  highs: Highs,
  { jobs, crew, rules }: ToAssign,
  { cuts, patterns }: Foreseen,
): number => Math.max(leastNights(jobs, crew, rules, cuts), patterns ? leastByPatterns(highs, patterns) : 1);
