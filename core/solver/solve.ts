import type { Highs, ModelData } from 'highs';
import type { Programme } from './programme';

/** How far a search has come: the best so far, the bound nothing can beat, and how far they are apart. */
export interface SearchProgress {
  best: number | null;
  bound: number;
  gapPercent: number | null;
  nodes: number;
  seconds: number;
}

/** Who wants to know while it goes on. */
export interface Watch {
  progress?: (progress: SearchProgress) => void;
  /** Values of a solution that is better than all before. */
  better?: (values: number[], cost: number) => void;
}

export type Solved =
  | { kind: 'proven'; values: number[]; cost: number }
  | { kind: 'stopped'; values: number[]; cost: number; gapPercent: number }
  | { kind: 'infeasible' }
  /** Time ran out before anything was found. */
  | { kind: 'nothing-found' };

/** Values as they are meant: a solver leaves whole ones a little off. */
const wholeWhere = ({ variables }: Programme, values: ArrayLike<number>): number[] =>
  variables.map(({ isAmount }, index) => (isAmount ? values[index]! : Math.round(values[index]!)));

function dataOf(highs: Highs, { variables, rows }: Programme): ModelData {
  const used = rows.filter(({ terms }) => terms.length > 0);
  const starts = new Int32Array(used.length + 1);
  used.forEach(({ terms }, index) => {
    starts[index + 1] = starts[index]! + terms.length;
  });
  const count = starts[used.length]!;
  const indices = new Int32Array(count);
  const values = new Float64Array(count);
  used.forEach(({ terms }, index) =>
    terms.forEach(({ variable, by }, k) => {
      indices[starts[index]! + k] = variable;
      values[starts[index]! + k] = by;
    }),
  );
  return {
    numCols: variables.length,
    numRows: used.length,
    colCost: variables.map(({ cost }) => cost),
    colLower: new Float64Array(variables.length),
    colUpper: variables.map(({ most }) => most),
    rowLower: used.map(({ sense, bound }) => (sense === '<=' ? -highs.infinity : bound)),
    rowUpper: used.map(({ sense, bound }) => (sense === '>=' ? highs.infinity : bound)),
    matrix: { format: 'csr', numRows: used.length, numCols: variables.length, starts, indices, values },
    integrality: Int32Array.from(variables, ({ isAmount }) => (isAmount ? 0 : 1)),
  };
}

const percent = (gap: number | undefined): number | null =>
  gap === undefined || !Number.isFinite(gap) ? null : gap * 100;

/** By how much at most a cost is above the best, in percent of it, where none can be below so much. */
const gapTo = (cost: number, least: number): number =>
  cost > 0 && Number.isFinite(least) ? Math.max(0, ((cost - least) / cost) * 100) : 100;

/** Smaller programmes are solved before a jump to some solution pays: measured on 24 and 256 cameras. */
const jumpsFrom = 2000;

/** Rows that have no terms are either empty words or can never be heeded. */
const hasInfeasibleEmptyRow = ({ rows }: Programme): boolean =>
  rows.some(
    ({ terms, sense, bound }) =>
      terms.length === 0 && (sense === '<=' ? bound < 0 : sense === '>=' ? bound > 0 : bound !== 0),
  );

/**
 * The least cost, by branch and cut with HiGHS. Costs are whole units of money or close to it, so a proof is one to a
 * hundred-thousandth. `secondsMost` stops the search and keeps the best so far.
 */
export function solve(
  highs: Highs,
  programme: Programme,
  { watch = {}, secondsMost }: { watch?: Watch; secondsMost?: number } = {},
): Solved {
  if (hasInfeasibleEmptyRow(programme)) return { kind: 'infeasible' };
  if (programme.variables.length === 0) return { kind: 'proven', values: [], cost: 0 };
  const { callbackType, modelStatus } = highs.constants;
  return highs.withModel(dataOf(highs, programme), (model): Solved => {
    model.options.set({
      // Without its log the search tells nothing of how far it is; only the console is to stay quiet.
      output_flag: true,
      log_to_console: false,
      mip_heuristic_run_feasibility_jump: programme.variables.length >= jumpsFrom,
      // Searches around what was found cost more than they bring: without them 256 cameras take 94 ms instead of 152.
      mip_heuristic_run_rins: false,
      mip_heuristic_run_rens: false,
      mip_rel_gap: 1e-5,
      mip_abs_gap: 1e-4,
      ...(secondsMost === undefined ? {} : { time_limit: secondsMost }),
    });
    let gapPercent: number | null = null;
    let least = -Infinity;
    model.run({
      [callbackType.mipLogging]: ({ data }) => {
        const {
          mip_primal_bound: best,
          mip_dual_bound: bound = -Infinity,
          mip_gap: gap,
          mip_node_count: nodes,
          running_time: seconds = 0,
        } = data;
        least = Math.max(least, bound);
        gapPercent = percent(gap);
        watch.progress?.({
          best: best !== undefined && Number.isFinite(best) ? best : null,
          bound: Number.isFinite(bound) ? bound : -Number.MAX_VALUE,
          gapPercent,
          nodes: Number(nodes ?? 0),
          seconds,
        });
      },
      [callbackType.mipImprovingSolution]: ({ data }) => {
        if (data.mip_solution)
          watch.better?.(wholeWhere(programme, data.mip_solution), data.objective_function_value ?? 0);
      },
    });
    const status = model.getModelStatus();
    if (status === modelStatus.infeasible) return { kind: 'infeasible' };
    const cost = model.getObjectiveValue();
    const values = model.getSolution().colValue;
    if (status === modelStatus.optimal)
      return { kind: 'proven', values: wholeWhere(programme, values), cost };
    return Number.isFinite(cost) && values.length > 0
      ? { kind: 'stopped', values: wholeWhere(programme, values), cost, gapPercent: gapTo(cost, least) }
      : { kind: 'nothing-found' };
  });
}
