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

export function foreseenOf(asked: ToAssign, known: KnownNights): Foreseen {
  const isNight = (some: readonly NightJob[]) => nightOf(some, asked, known) !== null;
  const patterns = nightPatterns(asked.jobs, asked, isNight);
  return {
    cuts: [...classCuts(asked.jobs, isNight), ...groupCuts(asked.jobs, isNight)],
    patterns,
    walked: patterns && !patterns.arePlaced ? walkedPatterns(asked.jobs, asked, isNight) : null,
  };
}

/** How many nights there have to be, by what is known of them beforehand. */
export const leastForeseen = (
  highs: Highs,
  { jobs, crew, rules }: ToAssign,
  { cuts, patterns }: Foreseen,
): number => Math.max(leastNights(jobs, crew, rules, cuts), patterns ? leastByPatterns(highs, patterns) : 1);
