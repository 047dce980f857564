import type { Programme, Row, Term, Variable } from './programme';

/** A programme in the making: unknowns and rows are added by name. `Demand` is what a row can stand for. */
export interface Draft<Demand = string> {
  programme: Programme;
  variable: (name: string, most: number, cost: number) => number;
  /** An unknown that need not be whole, and costs nothing. */
  amount: (name: string, most: number) => number;
  row: (
    name: string,
    terms: readonly Term[],
    sense: Row['sense'],
    bound: number,
    demand?: Demand | null,
  ) => void;
}

export function draftProgramme(): Draft {
  const variables: Variable[] = [];
  const rows: Row[] = [];
  return {
    programme: { variables, rows },
    variable: (name, most, cost) => variables.push({ name, most, cost }) - 1,
    amount: (name, most) => variables.push({ name, most, cost: 0, isAmount: true }) - 1,
    row: (name, terms, sense, bound, demand = null) =>
      void rows.push({ name, terms: merged(terms), sense, bound, demand }),
  };
}

/** Each unknown once in a row. */
function merged(terms: readonly Term[]): Term[] {
  const by = new Map<number, number>();
  for (const term of terms) by.set(term.variable, (by.get(term.variable) ?? 0) + term.by);
  return [...by].filter(([, amount]) => amount !== 0).map(([variable, amount]) => ({ variable, by: amount }));
}
