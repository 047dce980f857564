import type { ThingState } from '#core/signoff/acceptance';
import { acceptanceChecks, type AcceptanceCheckId } from '#core/model/site';
import type { Unit } from '#core/shared/units';

/** Where a drawing of figures begins and ends, and where its ticks stand. */
export interface FigureScale {
  from: number;
  to: number;
  ticks: number[];
}

/** A figure check that can be drawn, and of how many things. */
export interface FigureChoice {
  check: AcceptanceCheckId;
  label: string;
  unit: Unit;
  count: number;
  /** How many of them were read. */
  read: number;
}

/** Checks of figures that several things have, in the order in which they are made. */
export function figureChoices(things: readonly ThingState[]): FigureChoice[] {
  return acceptanceChecks.flatMap(({ id, label, asks }): FigureChoice[] => {
    if (asks.kind !== 'figure') return [];
    const drawn = things.flatMap(({ checks }) =>
      checks.filter(({ check, predicted }) => check === id && predicted !== null),
    );
    const read = drawn.filter(({ reading }) => reading !== null).length;
    return drawn.length > 0 ? [{ check: id, label, unit: asks.unit, count: drawn.length, read }] : [];
  });
}

/** The figure that is drawn until somebody picks one: the one that was read most, else the first that half of the things have. */
export function firstFigure(choices: readonly FigureChoice[]): FigureChoice | null {
  const most = Math.max(0, ...choices.map(({ count }) => count));
  const common = choices.find(({ count }) => count >= most / 2) ?? null;
  return choices.reduce((best, one) => (one.read > (best?.read ?? 0) ? one : best), common);
}

const stepsOf = [1, 2, 2.5, 5, 10];

/** Round steps that cut a span in about so many. */
function roundStep(span: number, about: number): number {
  const rough = span / about;
  const power = 10 ** Math.floor(Math.log10(rough));
  return power * (stepsOf.find((step) => step * power >= rough) ?? 10);
}

/** A scale that holds everything that is predicted, read or asked of a check, with room to both sides. */
export function scaleOf(things: readonly ThingState[], check: AcceptanceCheckId): FigureScale {
  const values = things.flatMap(({ checks }) => {
    const found = checks.find((one) => one.check === check);
    if (!found) return [];
    const { predicted, reading, limit } = found;
    return [
      ...(predicted ? [predicted.low, predicted.high] : []),
      ...(reading?.found.kind === 'figure' ? [reading.found.value] : []),
      ...(limit.kind === 'figure' ? [limit.least, limit.most].filter((one) => one !== null) : []),
    ];
  });
  const [least, most] = [Math.min(...values), Math.max(...values)];
  if (!Number.isFinite(least)) return { from: 0, to: 1, ticks: [] };
  const step = roundStep(Math.max(most - least, 1e-3, 0.05 * Math.abs(most)), 6);
  const from = Math.floor(least / step) * step;
  const to = Math.ceil(most / step) * step;
  const count = Math.round((to - from) / step);
  return { from, to, ticks: Array.from({ length: count + 1 }, (_, k) => from + k * step) };
}
