import { tests, type TestId } from '#core/model/site';
import { applies } from '#core/test/findings';
import type { RunReadings } from '#core/test/readings';
import { ratioSteps } from './density';
import type { DiagnosisInput } from './looked';
import { eventsOf, type Posterior } from './posterior';
import { spanOf, widthOf, type Span } from './predict';
import { storyOf } from './storyOf';
import type { TroubleSet } from './troubleSets';

/** Where a figure is expected, from everything but itself: nine in ten would lie within. */
export interface ExpectedReading {
  low: number;
  middle: number;
  high: number;
}

/** So much of what is believed is held by an interval that is told. */
const intervalShare = 0.9;
/** Parts in which a figure is first thought of, and into which each that counts is cut. */
const coarseParts = 48;
const finePer = 6;
const countsFrom = 0.002;
/** Sets rarer than this move no interval. */
const leastChance = 0.001;

const placeholder = { id: 'thought', runId: 'thought', at: '2000-01-01T00:00:00Z', by: '', instrument: '' };

interface Cell {
  value: number;
  /** Its width as a step of the logarithm. */
  step: number;
  chance: number;
}

function scaled(cells: readonly Cell[]): Cell[] {
  const total = cells.reduce((sum, { chance }) => sum + chance, 0);
  return cells.map((cell) => ({ ...cell, chance: cell.chance / total }));
}

/** A part of a range, cut into parts that are alike in ratio. */
const cut = (value: number, step: number, parts: number): { value: number; step: number }[] =>
  ratioSteps(value * Math.exp(-step / 2), value * Math.exp(step / 2), parts).map((one) => ({
    value: one,
    step: step / parts,
  }));

/** The shortest stretch of ratios that holds its share, and what half lies under. */
function intervalOf(cells: readonly Cell[]): ExpectedReading {
  let best = { from: 0, to: cells.length - 1, steps: Infinity };
  let [to, held, steps] = [0, 0, 0];
  for (let from = 0; from < cells.length; from += 1) {
    while (to < cells.length && held < intervalShare) {
      held += cells[to]!.chance;
      steps += cells[to]!.step;
      to += 1;
    }
    if (held < intervalShare) break;
    if (steps < best.steps) best = { from, to: to - 1, steps };
    held -= cells[from]!.chance;
    steps -= cells[from]!.step;
  }
  let under = 0;
  const middle = cells.find(({ chance }) => (under += chance) >= 0.5) ?? cells.at(-1)!;
  const edge = ({ value, step }: Cell, side: -1 | 1): number => value * Math.exp((side * step) / 2);
  return {
    low: edge(cells[best.from]!, -1),
    middle: middle.value,
    high: edge(cells[best.to]!, 1),
  };
}

/**
 * Where a figure is expected under each set of troubles, weighed by what all other readings say of the sets:
 * p(x | rest) = Σ P(S | rest)·p(x | S, rest). What was read of the figure itself is left out, so that it can be held against this.
 */
function expectedOf(
  id: TestId,
  span: Span,
  looked: DiagnosisInput,
  { sets }: Posterior,
): ExpectedReading | null {
  const of = storyOf[id]!;
  const events = eventsOf(looked);
  const { [id]: read, ...rest } = looked.readings;
  const without = of({ ...looked, readings: rest }, events);
  const withIt = read ? of(looked, events) : without;
  // Each set as it was believed before the figure was read.
  const weights = sets.map(({ set, chance }) => ({
    set,
    chance: chance * Math.exp(Math.min(600, without.tells(set) - withIt.tells(set))),
  }));
  const most = weights.reduce((sum, { chance }) => sum + chance, 0);
  const believed = weights
    .map(({ set, chance }) => ({ set, chance: chance / most }))
    .filter(({ chance }) => chance >= leastChance);
  // A loop is expected as warm as it was when it was read.
  const warmth = read && 'temperatureC' in read ? { temperatureC: read.temperatureC } : {};
  const densityAt = (value: number): ((set: TroubleSet) => number) => {
    const reading = { ...placeholder, ...warmth, test: id, value };
    const then = of({ ...looked, readings: { ...rest, [id]: reading } as RunReadings }, events);
    return (set) => then.tells(set) - without.tells(set);
  };
  const weigh = (parts: readonly { value: number; step: number }[]): Cell[] =>
    parts.map(({ value, step }) => {
      const tells = densityAt(value);
      const density = believed.reduce((sum, { set, chance }) => sum + chance * Math.exp(tells(set)), 0);
      return { value, step, chance: density * widthOf(value, span.dense) * step };
    });
  const widthLog = Math.log(span.to / span.from);
  const middle = Math.sqrt(span.from * span.to);
  const coarse = scaled(weigh(cut(middle, widthLog, coarseParts)));
  if (coarse.some(({ chance }) => !Number.isFinite(chance))) return null;
  const fine = coarse.flatMap((cell) =>
    cell.chance < countsFrom ? [cell] : cut(cell.value, cell.step, finePer),
  );
  return intervalOf(scaled(weigh(fine)));
}

/** Foreign AC that comes with volts between the earths is the same volts once more; what it is held against is its limit. */
const isExpected = (id: TestId): boolean => id !== 'foreign-ac-volts';

/** Where each figure of a run is expected, from all that is known but itself. */
export function expectedReadings(
  looked: DiagnosisInput,
  posterior: Posterior,
): Partial<Record<TestId, ExpectedReading>> {
  return Object.fromEntries(
    tests.flatMap((test) => {
      const span = applies(test, looked.run) && isExpected(test.id) ? spanOf(test.id, looked) : null;
      const expected = span ? expectedOf(test.id, span, looked, posterior) : null;
      return expected ? [[test.id, expected]] : [];
    }),
  );
}
