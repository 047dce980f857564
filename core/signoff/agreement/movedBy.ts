import {
  driverOf,
  intervalOf,
  predictedOf,
  sampledValues,
  type Foretold,
  type Known,
  type Predicted,
} from '#core/signoff/predicted';
import { asKnown, type Scenario } from '#core/test/scenarios';
import { believedOfNext, type SharedShift } from './sharedShift';

/** A figure before anybody read its like, and as it is expected since. */
export interface Moved {
  before: Predicted;
  now: Predicted;
  /** What is believed of what it rests on. */
  scenario: Scenario;
  about: Known;
}

/** A margin as it is expected of a run that nobody has read, by what its like share; `null` where it rests on nothing that is shared. */
export function movedBy(foretold: Foretold, shift: SharedShift): Moved | null {
  const { margin } = foretold;
  const key = driverOf(margin.kind);
  if (key === null) return null;
  const next = believedOfNext(shift);
  const scenario = { ...asKnown, [key]: next.mean };
  const about = { [key]: next };
  const now = intervalOf(margin.valueUnder(scenario), sampledValues(foretold, about));
  return { before: predictedOf(foretold), now, scenario, about };
}

/** A figure that moves by less than this share is expected as before. */
const leastMoved = 0.01;

/** Whether a figure is expected elsewhere than before. */
export const isMoved = ({ before, now }: Pick<Moved, 'before' | 'now'>): boolean =>
  Math.abs(now.value - before.value) > leastMoved * Math.abs(before.value);
