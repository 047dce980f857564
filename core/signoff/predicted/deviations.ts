import { asKnown, type Scenario } from '#core/test/scenarios';
import { driverOf, quantile, sampledValues, type Driver, type Foretold } from './predicted';

/** Further off than this nothing is believed to be: somebody read the wrong thing, or something broke. */
const mostDeviations = 6;
const steps = 50;

/** How far what a figure rests on is off, by what was read, in standard deviations; and how far that may be the work of everything else. */
export interface Deviation {
  deviations: number;
  /** Standard deviation of it, by load, joints and meter together. */
  besides: number;
}

const under = (key: Driver, deviations: number): Scenario => ({
  ...asKnown,
  [key]: deviations,
});

/**
 * What was read, told as how far the loop, the loss or the length behind it is from what was thought, at most six standard
 * deviations. `null` where the figure does not depend on it: a data sheet's promise, or one that was read before.
 */
export function deviationsBehind(foretold: Foretold, read: number): Deviation | null {
  const { margin } = foretold;
  const key = driverOf(margin.kind);
  if (key === null) return null;
  const at = (deviations: number): number => margin.valueUnder(under(key, deviations));
  const [least, most] = [at(-mostDeviations), at(mostDeviations)];
  const slope = Math.abs(at(1) - at(-1)) / 2;
  if (slope <= 1e-6 * Math.abs(at(0)) || least === most) return null;
  const isFalling = least > most;
  let [low, high] = [-mostDeviations, mostDeviations];
  for (let step = 0; step < steps; step += 1) {
    const middle = (low + high) / 2;
    if (at(middle) > read === isFalling) low = middle;
    else high = middle;
  }
  const others = sampledValues(foretold, { [key]: { mean: 0, deviation: 0 } });
  // By its middle two thirds, so that the few in which copper is steel do not widen it.
  const spread = (quantile(others, 0.84) - quantile(others, 0.16)) / 2;
  return { deviations: (low + high) / 2, besides: spread / slope };
}
