import type { Margin, MarginKind } from '#core/decide/options';
import { drawScenario, type OptionLine } from '#core/decide/risk';
import { createNormal, createRandom } from '#core/shared/random';
import type { Chance } from '#core/test/diagnosis';
import { asKnown, worstCase, type Deviations, type Scenario } from '#core/test/scenarios';

/** A figure as it was expected before anybody read it: nine times in ten it lies between `low` and `high`. */
export interface Predicted {
  value: number;
  low: number;
  high: number;
}

/** A margin of a kind whose figure is measured before anybody signs. */
export type MeasuredMargin = Margin & { valueUnder: NonNullable<Margin['valueUnder']> };

/** A figure that is measured before anybody signs: the margin that predicts it, and the line that it rests on. */
export interface Foretold {
  margin: MeasuredMargin;
  line: OptionLine;
}

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

/** What is known of a driver takes the place of what else would be drawn for it. What other runs showed tells no steel from copper. */
function drawKnown(into: Scenario, about: Known, { belief }: OptionLine, { even, gauss }: Chance): void {
  for (const key of Object.keys(about) as Driver[]) {
    const { mean, deviation } = about[key]!;
    into[key] = mean + deviation * gauss();
  }
  if (about.coaxOhms) into.coaxTimes = even() < (belief?.steelChance ?? 0) ? worstCase.coaxTimes : 1;
  if (about.powerOhms) into.powerTimes = 1;
}

/** Figures of scenarios, drawn by what is believed of the line and the spreads of all else, in ascending order; `gauss` draws from a normal. */
function sampled(
  figureOf: (scenario: Scenario, gauss: () => number) => number,
  line: OptionLine,
  about: Known,
): number[] {
  const even = createRandom(seed);
  const gauss = createNormal(even);
  const chance = { even, gauss };
  const scenario: Scenario = { ...asKnown };
  return Array.from({ length: draws }, () => {
    drawScenario(scenario, line, chance, { loss: gauss(), load: gauss() });
    drawKnown(scenario, about, line, chance);
    return figureOf(scenario, gauss);
  }).sort((a, b) => a - b);
}

/**
 * What a measured figure may turn out to be, by what is believed of its line, the spreads of everything else that it rests on and of
 * the meter: values in ascending order. The same always gives the same.
 */
export const sampledValues = ({ margin, line }: Foretold, about: Known = {}): number[] =>
  sampled((scenario, gauss) => margin.valueUnder(scenario) * (1 + meterSpread * gauss()), line, about);

/** How much of its limit a margin may turn out to use, in ascending order; over one it does not hold. */
export const sampledUtilisations = ({ margin, line }: Foretold, about: Known): number[] =>
  sampled((scenario) => margin.under(scenario), line, about);

/** The interval that holds nine in ten of sampled values, around the figure as it is known. */
export const intervalOf = (value: number, sorted: readonly number[]): Predicted => ({
  value,
  low: Math.min(value, quantile(sorted, tails[0])),
  high: Math.max(value, quantile(sorted, tails[1])),
});

/** The prediction of a margin on a line never changes, and a run that nothing changed keeps both. */
const predictions = new WeakMap<MeasuredMargin, { line: OptionLine; predicted: Predicted }>();

/** What an instrument will read of a margin, with its interval. */
export function predictedOf({ margin, line }: Foretold): Predicted {
  const known = predictions.get(margin);
  if (known?.line === line) return known.predicted;
  const predicted = intervalOf(margin.valueUnder(asKnown), sampledValues({ margin, line }));
  predictions.set(margin, { line, predicted });
  return predicted;
}

/** Whether a reading lies where it was expected. */
export const isInside = ({ low, high }: Predicted, value: number): boolean => value >= low && value <= high;
