import type { Margin, MarginKind } from '#core/decide/options';
import { createNormal, createRandom } from '#core/shared/random';
import { rates } from '#core/test/diagnosis';
import { asKnown, asNoted, worstCase, type Deviations, type Scenario } from '#core/test/scenarios';

/** A figure as it was expected before anybody read it: nine times in ten it lies between `low` and `high`. */
export interface Predicted {
  value: number;
  low: number;
  high: number;
}

/** A margin of a kind whose figure is measured before anybody signs. */
export type MeasuredMargin = Margin & { valueUnder: NonNullable<Margin['valueUnder']> };

export const isMeasured = (margin: Margin): margin is MeasuredMargin => margin.valueUnder !== undefined;

/** What figures rest on, each so many standard deviations off. */
export type Driver = keyof Deviations;

/** What a figure that turns out other than expected speaks of first. */
const drivers: Partial<Record<MarginKind, Driver>> = {
  'night-volts': 'powerOhms',
  watts: 'coaxOhms',
  'link-rate': 'loss',
  'light-loss': 'length',
  'radio-rate': 'loss',
};

/** The figure of a scenario that a measured one of this kind speaks of; `null` where it speaks of none. */
export const driverOf = (kind: MarginKind): Driver | null => drivers[kind] ?? null;

/** dB that joints take which no trace has looked for: only ever more, one standard deviation. Judgement. */
const unseenJointDb = 1;
/** One standard deviation of a meter, as a share of what it shows. */
const meterSpread = 0.01;

const draws = 400;
const seed = 20;
/** Between them lie nine in ten. */
const tails = [0.05, 0.95] as const;

/** The value below which such a share of sorted ones lies. */
export const quantile = (sorted: readonly number[], share: number): number => {
  const at = share * (sorted.length - 1);
  const below = Math.floor(at);
  const [low, high] = [sorted[below]!, sorted[Math.min(sorted.length - 1, below + 1)]!];
  return low + (high - low) * (at - below);
};

/** What is already known of the site, in standard deviations, and how sure that is. */
export type Known = Partial<Record<Driver, { mean: number; deviation: number }>>;

/** Figures of scenarios, drawn by the spreads of everything that is not known, in ascending order; `gauss` draws from a normal. */
function sampled(figureOf: (scenario: Scenario, gauss: () => number) => number, about: Known): number[] {
  const even = createRandom(seed);
  const gauss = createNormal(even);
  const drawn = (key: Driver): number => {
    const { mean, deviation } = about[key] ?? { mean: 0, deviation: 1 };
    return mean + deviation * gauss();
  };
  return Array.from({ length: draws }, () => {
    const off: Deviations = {
      coaxOhms: drawn('coaxOhms'),
      powerOhms: drawn('powerOhms'),
      loss: drawn('loss'),
      joints: drawn('joints'),
      load: drawn('load'),
      length: drawn('length'),
    };
    const scenario: Scenario = {
      ...asNoted,
      ...off,
      unseenDb: unseenJointDb * Math.max(0, off.joints),
      coaxTimes: even() < rates['coax-construction'] ? worstCase.coaxTimes : 1,
    };
    return figureOf(scenario, gauss);
  }).sort((a, b) => a - b);
}

/**
 * What a measured figure may turn out to be, by the spreads of everything that it rests on and of the meter: values in ascending
 * order. The same margin always gives the same.
 */
export const sampledValues = (
  { valueUnder }: Pick<MeasuredMargin, 'valueUnder'>,
  about: Known = {},
): number[] => sampled((scenario, gauss) => valueUnder(scenario) * (1 + meterSpread * gauss()), about);

/** How much of its limit a margin may turn out to use, in ascending order; over one it does not hold. */
export const sampledUtilisations = ({ under }: Pick<Margin, 'under'>, about: Known): number[] =>
  sampled((scenario) => under(scenario), about);

/** The interval that holds nine in ten of sampled values, around the figure as it is known. */
export const intervalOf = (value: number, sorted: readonly number[]): Predicted => ({
  value,
  low: Math.min(value, quantile(sorted, tails[0])),
  high: Math.max(value, quantile(sorted, tails[1])),
});

/** A margin’s prediction never changes, and a run that nothing changed keeps its margins. */
const predictions = new WeakMap<MeasuredMargin, Predicted>();

/** What an instrument will read of a margin, with its interval. */
export function predictedOf(margin: MeasuredMargin): Predicted {
  const known = predictions.get(margin);
  if (known) return known;
  const predicted = intervalOf(margin.valueUnder(asKnown), sampledValues(margin));
  predictions.set(margin, predicted);
  return predicted;
}

/** Whether a reading lies where it was expected. */
export const isInside = ({ low, high }: Predicted, value: number): boolean => value >= low && value <= high;
