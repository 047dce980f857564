import { beliefIn, causeWords, type Cause } from '#core/test/diagnosis';
import { lookedAt } from './bestPath';
import { newPlay, played, type DrillPlay } from './play';

/** What a step brought to light: how far belief was from knowing before and after it, and what would have been said then. */
export interface StepWorth {
  /** Bits by which it brought belief nearer to knowing; below nothing where it made one less sure. */
  bits: number;
  cause: Cause;
  label: string;
  chance: number;
}

const entropy = (sets: readonly { chance: number }[]): number =>
  sets.reduce((sum, { chance }) => sum - (chance > 0 ? chance * Math.log2(chance) : 0), 0);

/** For each step of a play that read something, what it was worth and what could be said after it; `null` for the others. */
export function worthOfSteps(play: DrillPlay): (StepWorth | null)[] {
  let at = newPlay(play.drill);
  let before = entropy(beliefIn(lookedAt(at)).sets);
  return play.steps.map(({ move, reading }) => {
    at = played(at, move);
    if (!reading) return null;
    const { sets, belief } = beliefIn(lookedAt(at));
    const after = entropy(sets);
    const bits = before - after;
    before = after;
    const [cause, chance] = (Object.entries(belief) as [Cause, number][]).reduce((a, b) =>
      b[1] > a[1] ? b : a,
    );
    return { bits, cause, label: causeWords[cause].label, chance };
  });
}
