import type { Row, Variable } from '#core/solver';
import { classesOf } from './cameraClasses';
import type { PlanModel } from './types';

/**
 * The model without what some values say and whatever asks more of the recorders: fewer cameras of some class, or one more recorder
 * than was bought. To fewer recorders as many cameras of every class can be no easier.
 */
export function withoutSuch(model: PlanModel, values: readonly number[]): PlanModel {
  const variables: Variable[] = [...model.programme.variables];
  const rows: Row[] = [...model.programme.rows];
  const switches: number[] = [];
  const switchFor = (name: string): number => {
    const variable = variables.push({ name, most: 1, cost: 0 }) - 1;
    switches.push(variable);
    return variable;
  };
  for (const { key, picks } of classesOf(model.picks, [])) {
    const taken = picks.filter(({ variable }) => values[variable] === 1).length;
    if (taken === 0) continue;
    const name = `fewer than ${taken} of ${key}`;
    const terms = picks.map(({ variable }) => ({ variable, by: 1 }));
    terms.push({ variable: switchFor(name), by: picks.length - taken + 1 });
    rows.push({ name, terms, sense: '<=', bound: picks.length, demand: null });
  }
  for (const { variable } of model.buys) {
    const more = values[variable]! + 1;
    const { name: bought, most } = variables[variable]!;
    if (more > most) continue;
    const name = `${bought}: ${more} or more`;
    const terms = [
      { variable, by: 1 },
      { variable: switchFor(name), by: -more },
    ];
    rows.push({ name, terms, sense: '>=', bound: 0, demand: null });
  }
  rows.push({
    name: 'another plan',
    terms: switches.map((variable) => ({ variable, by: 1 })),
    sense: '>=',
    bound: 1,
    demand: null,
  });
  return { ...model, programme: { variables, rows } };
}
