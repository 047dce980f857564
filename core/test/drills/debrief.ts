import { bestPath } from './bestPath';
import { bitsNeeded } from './generate';
import type { DrillPlay } from './play';
import { scoreOf, type Answer, type Score } from './score';
import { worthOfSteps, type StepWorth } from './worth';

/** What is told once a drill has ended. */
export interface Debrief {
  score: Score;
  /** The way that the program would have gone. */
  best: DrillPlay;
  /** What each step of either way was worth; `null` where nothing was read in it. */
  worth: { mine: (StepWorth | null)[]; best: (StepWorth | null)[] };
  /** Bits that the drill asks for. */
  bits: number;
}

/** What is told of a play and what was answered. It goes through the drill once more, test by test, and takes a while. */
export function debriefOf(play: DrillPlay, answer: Answer): Debrief {
  const best = bestPath(play.drill);
  return {
    score: scoreOf(play, answer, best),
    best,
    worth: { mine: worthOfSteps(play), best: worthOfSteps(best) },
    bits: bitsNeeded(play.drill),
  };
}
