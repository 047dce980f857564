import type { Highs } from 'highs';
import { draftProgramme, solve } from '#core/solver';
import type { NightPatterns } from './nightPatterns';

/** So long at most it is sought how few nights hold all jobs. */
const secondsMost = 5;

/**
 * How many nights there have to be, whatever the order: so many as hold each kind of job often enough, each filled in one of the ways in which
 * a night can be. A cutting stock: nights are the rods, and the jobs are what is cut from them.
 *
 * Source: Gilmore and Gomory, “A linear programming approach to the cutting-stock problem”, 1961.
 */
export function leastByPatterns(highs: Highs, { kinds, patterns }: NightPatterns): number {
  const { programme, variable, row } = draftProgramme();
  const most = kinds.reduce((sum, ids) => sum + ids.length, 0);
  const nights = patterns.map((pattern) => variable(`as ${pattern.join(' ')}`, most, 1));
  kinds.forEach(({ length }, kind) =>
    row(
      `all of kind ${kind}`,
      patterns.flatMap((pattern, k) =>
        pattern[kind]! > 0 ? [{ variable: nights[k]!, by: pattern[kind]! }] : [],
      ),
      '>=',
      length,
    ),
  );
  const solved = solve(highs, programme, { secondsMost });
  if (solved.kind === 'proven') return Math.round(solved.cost);
  return solved.kind === 'stopped' ? Math.ceil(solved.cost * (1 - solved.gapPercent / 100) - 1e-6) : 1;
}
