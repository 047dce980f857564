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
}

/** Ways to fill a night are sought for so much of the time. */
const partForPatterns = 0.3;

type SecondsLeft = () => number;

/** Whether jobs fit into a night, and whether there is time to ask that of more. */
function lookAt(asked: ToAssign, known: KnownNights, secondsLeft: SecondsLeft) {
  const leftAfter = (1 - partForPatterns) * secondsLeft();
  return {
    isNight: (some: readonly NightJob[]) => nightOf(some, asked, known) !== null,
    hasTime: () => secondsLeft() >= leftAfter,
  };
}

export function foreseenOf(
  asked: ToAssign,
  known: KnownNights,
  secondsLeft: SecondsLeft = () => Infinity,
): Foreseen {
  const { jobs } = asked;
  const look = lookAt(asked, known, secondsLeft);
  const cuts = [...classCuts(jobs, look.isNight), ...groupCuts(jobs, look.isNight)];
  return { cuts, patterns: nightPatterns(jobs, asked, look) };
}

/** Ways to fill a night with time for all walks, where what was foreseen leaves those out; `null` where it does not, or they are too many. */
export const roomyPatterns = (
  asked: ToAssign,
  known: KnownNights,
  { patterns }: Foreseen,
  secondsLeft: SecondsLeft,
): NightPatterns | null =>
  patterns && !patterns.arePlaced
    ? walkedPatterns(asked.jobs, asked, lookAt(asked, known, secondsLeft))
    : null;

/** How many nights there have to be, by what is known of them beforehand. */
export const leastForeseen = (
  highs: Highs,
  { jobs, crew, rules }: ToAssign,
  { cuts, patterns }: Foreseen,
): number => Math.max(leastNights(jobs, crew, rules, cuts), patterns ? leastByPatterns(highs, patterns) : 1);
