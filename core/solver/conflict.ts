import type { Highs } from 'highs';
import { rangeOf, without, withoutCosts, type Programme, type Row } from './programme';
import { solve } from './solve';

const demandsIn = ({ rows }: Programme): string[] => [...new Set(rows.flatMap(({ demand }) => demand ?? []))];

/** The same rows, each demand that may be given up with a switch that lets its rows go, at a cost of one. */
function elastic(programme: Programme, mayGo: readonly string[]): { programme: Programme; first: number } {
  const first = programme.variables.length;
  const switchOf = new Map(mayGo.map((demand, index) => [demand, first + index]));
  const rows = programme.rows.flatMap((row): Row[] => {
    const variable = row.demand === null ? undefined : switchOf.get(row.demand);
    if (variable === undefined) return [row];
    const { least, largest } = rangeOf(row, programme);
    const below: Row = {
      ...row,
      sense: '<=',
      terms: [...row.terms, { variable, by: -Math.max(0, largest - row.bound) }],
    };
    const above: Row = {
      ...row,
      sense: '>=',
      terms: [...row.terms, { variable, by: Math.max(0, row.bound - least) }],
    };
    return row.sense === '<=' ? [below] : row.sense === '>=' ? [above] : [below, above];
  });
  return {
    first,
    programme: {
      variables: [
        ...withoutCosts(programme).variables,
        ...mayGo.map((demand) => ({ name: `give up ${demand}`, most: 1, cost: 1 })),
      ],
      rows,
    },
  };
}

/** The fewest demands to give up, beyond those kept, so that the rest can be met; `null` where the kept ones conflict among themselves. */
function fewestToGiveUp(highs: Highs, programme: Programme, kept: ReadonlySet<string>): string[] | null {
  const mayGo = demandsIn(programme).filter((demand) => !kept.has(demand));
  const { programme: soft, first } = elastic(programme, mayGo);
  const solved = solve(highs, soft);
  if (solved.kind !== 'proven') return null;
  return mayGo.filter((_, index) => solved.values[first + index] === 1);
}

/** The smallest set that has a member in common with each of these sets. */
function smallestHitting(highs: Highs, sets: readonly (readonly string[])[]): string[] {
  const members = [...new Set(sets.flat())];
  const at = new Map(members.map((member, index) => [member, index]));
  const solved = solve(highs, {
    variables: members.map((name) => ({ name, most: 1, cost: 1 })),
    rows: sets.map((set, index) => ({
      name: `set ${index}`,
      terms: set.map((member) => ({ variable: at.get(member)!, by: 1 })),
      sense: '>=',
      bound: 1,
      demand: null,
    })),
  });
  return solved.kind === 'proven' ? members.filter((_, index) => solved.values[index] === 1) : members;
}

/**
 * The smallest set of demands that cannot be met together, in a programme that has no solution; empty where it has none
 * even without any demand. Source: implicit hitting sets. Each set of demands whose giving up frees the rest must share
 * a member with any conflict, so the smallest set that meets them all is a conflict, or shows one more such set.
 */
export function smallestConflict(highs: Highs, programme: Programme): string[] {
  const all = demandsIn(programme);
  if (solve(highs, withoutCosts(without(programme, new Set(all)))).kind === 'infeasible') return [];
  const corrections: string[][] = [];
  for (let round = 0; round < 200; round += 1) {
    const hitting = smallestHitting(highs, corrections);
    const given = fewestToGiveUp(highs, programme, new Set(hitting));
    if (given === null || given.length === 0) return hitting;
    corrections.push(given);
  }
  return smallestHitting(highs, corrections);
}
