import type { Unit } from '#core/shared/units';
import type { FormulaId } from './formulas';

/** Where a figure comes from. A measurement always wins over a table. */
export type Source = 'measured' | 'data-sheet' | 'typical' | 'noted' | 'policy' | 'standard' | 'computed';

/** A figure with its name and unit. `null` stands for no limit. */
export interface Figure {
  name: string;
  value: number | null;
  unit: Unit;
  from: Source;
}

/** One line of a calculation: what it finds out, by which formula, from which figures. */
export interface Step {
  message: string;
  formula: FormulaId;
  inputs: Figure[];
  result: Figure;
}

export interface Limit {
  sense: 'at-most' | 'at-least';
  figure: Figure;
}

/** How a figure was reached and what it was held against, ready to be read as a short sum on paper. */
export interface Derivation {
  title: string;
  steps: Step[];
  limit?: Limit;
  conclusion: string;
}

/** Writes a working down. A thousand runs have tens of thousands of figures and a person asks for one, so it waits until then. */
export type LazyDerivation = () => Derivation;

/** The weakest thing a result rests on, as it is told to a person. */
export type Basis = 'measured' | 'data-sheet' | 'typical';

/** Makes a figure; the short form keeps the calculations readable. */
export function figure(name: string, value: number | null, unit: Unit, from: Source): Figure {
  return { name, value, unit, from };
}

/** What a result rests on: typical as soon as one deciding figure is, measured only where all are. */
export function basisOf(...sources: readonly Source[]): Basis {
  if (sources.includes('typical')) return 'typical';
  return sources.includes('data-sheet') ? 'data-sheet' : 'measured';
}
