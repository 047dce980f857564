/** An unknown from 0 up to `most`, a whole number unless it is an amount, with what one of it costs. */
export interface Variable {
  name: string;
  most: number;
  cost: number;
  isAmount?: true;
}

export interface Term {
  variable: number;
  by: number;
}

/** Terms added up and held against a bound. `demand` names what the row stands for, where it could be given up. */
export interface Row {
  name: string;
  terms: Term[];
  sense: '<=' | '>=' | '=';
  bound: number;
  demand: string | null;
}

/** A minimum sought: plain data that any solver can be given. */
export interface Programme {
  variables: Variable[];
  rows: Row[];
}

/** The largest and the least that the terms of a row can come to. */
export function rangeOf(
  { terms }: Pick<Row, 'terms'>,
  { variables }: Pick<Programme, 'variables'>,
): { least: number; largest: number } {
  let [least, largest] = [0, 0];
  for (const { variable, by } of terms) {
    const reach = by * variables[variable]!.most;
    if (reach > 0) largest += reach;
    else least += reach;
  }
  return { least, largest };
}

/** The same programme without the rows of some demands. */
export const without = ({ variables, rows }: Programme, demands: ReadonlySet<string>): Programme => ({
  variables,
  rows: rows.filter(({ demand }) => demand === null || !demands.has(demand)),
});

/** The same programme with nothing to pay for: all that is asked is whether there is a solution. */
export const withoutCosts = ({ variables, rows }: Programme): Programme => ({
  variables: variables.map((variable) => ({ ...variable, cost: 0 })),
  rows,
});

/** What these values cost. */
export const costOf = ({ variables }: Programme, values: ArrayLike<number>): number =>
  variables.reduce((sum, { cost }, index) => sum + cost * values[index]!, 0);

/** Whether these values are whole where they have to be, within their limits and heed every row. */
export function heeds({ variables, rows }: Programme, values: ArrayLike<number>): boolean {
  const near = 1e-6;
  return (
    variables.every(
      ({ most, isAmount }, index) =>
        values[index]! >= -near &&
        values[index]! <= most + near &&
        (isAmount || Math.abs(values[index]! - Math.round(values[index]!)) < near),
    ) &&
    rows.every(({ terms, sense, bound }) => {
      const sum = terms.reduce((all, { variable, by }) => all + by * values[variable]!, 0);
      const slack = near * Math.max(1, Math.abs(bound));
      return sense === '<='
        ? sum <= bound + slack
        : sense === '>='
          ? sum >= bound - slack
          : Math.abs(sum - bound) <= slack;
    })
  );
}
