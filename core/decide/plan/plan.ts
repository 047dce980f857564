import { evaluateRuns, type RunEvaluation } from '#core/decide/runEvaluation';
import { totalOf, type Buys, type FeasibleOption, type Total } from '#core/decide/options';
import { costOf, solve, type Programme, type SearchProgress, type Watch } from '#core/solver';
import { demandsOf, type Demands, type OptionKind, type Proof, type Site } from '#core/model/site';
import { candidatesOf, type ExcludedCamera } from './candidates';
import { conflictOf, type Conflict } from './conflictWords';
import { planModel } from './planModel';
import { withoutSuch } from './withoutSuch';
import type { Plan, PlanModel, PlanningInput, PlanSolver, PlanTotals } from './types';

export type Planning =
  | { kind: 'plan'; plan: Plan }
  | { kind: 'conflict'; conflict: Conflict; excluded: ExcludedCamera[] }
  | { kind: 'nothing'; message: string; excluded: ExcludedCamera[] };

/** Works out a site under what is demanded. An evaluation that was made under the same policies can be handed in. */
export function planningInput(
  site: Site,
  demands: Demands,
  evaluated?: { runs: readonly RunEvaluation[] },
): PlanningInput {
  const under: Site = demandsOf(site) === demands ? site : { ...site, demands: { demands } };
  const runs = evaluated && under === site ? evaluated.runs : evaluateRuns(under);
  const candidates = candidatesOf(under, runs, demands);
  return {
    site: under,
    demands,
    runs,
    candidates,
    model: planModel(under, candidates, demands, 'together'),
  };
}

/** What the options of a plan come to, whoever chose them. */
export function totalsOf(
  site: Site,
  runs: readonly RunEvaluation[],
  options: Readonly<Record<string, OptionKind>>,
  buys: Buys,
  demands: Demands,
  weighed?: number,
): { totals: PlanTotals; total: Total } {
  const chosen = runs.flatMap(({ camera, options: of }): FeasibleOption[] =>
    of.filter(
      (option): option is FeasibleOption => option.kind === options[camera.id] && option.state !== 'no',
    ),
  );
  const total = totalOf(site, chosen, buys, demands.years);
  const shares = chosen.flatMap(({ margins }) => margins.map(({ utilisation }) => utilisation));
  return {
    total,
    totals: {
      cost: total.cost,
      hours: total.hours,
      darkHours: total.darkHours,
      renewCost: total.renewCost,
      weighed: weighed ?? total.cost,
      cameras: chosen.length,
      ipCameras: total.ipCameras,
      recabled: chosen.filter(({ newCableM }) => newCableM > 0).length,
      newCableM: total.newCableM,
      sparePercent: shares.length === 0 ? 100 : (1 - Math.max(...shares)) * 100,
      measured: chosen.filter(({ binding }) => !binding || binding.basis !== 'typical').length,
      onOpenGaps: runs.filter(
        ({ camera, toNote, findings }) =>
          options[camera.id] !== undefined && (toNote.beforeTest > 0 || findings.missing.length > 0),
      ).length,
    },
  };
}

/** What the unknowns of a solution say. */
export function planFrom(
  { site, demands, runs, candidates, model }: PlanningInput,
  values: readonly number[],
  proof: Proof,
): Plan {
  const options = Object.fromEntries(
    model.picks
      .filter(({ variable }) => values[variable] === 1)
      .map(({ camera, candidate }) => [camera.cameraId, candidate.option.kind]),
  );
  const counts = new Map<string, Plan['buys'][number]>();
  for (const { productId, placeId, variable } of model.buys) {
    const bought = values[variable]!;
    if (bought === 0) continue;
    const key = `${productId} ${placeId}`;
    counts.set(key, { productId, placeId, count: (counts.get(key)?.count ?? 0) + bought });
  }
  const buys = [...counts.values()];
  return {
    options,
    buys,
    demands,
    proof,
    excluded: candidates.excluded,
    totals: totalsOf(site, runs, options, buys, demands, costOf(model.programme, values)).totals,
  };
}

/** Who wants to know of a search: how far it is, and each better plan as it comes. */
export interface PlanWatch {
  progress?: (progress: SearchProgress) => void;
  better?: (plan: Plan) => void;
}

/** What is asked of a model: its programme as it is, or with other costs or rows. Unknowns of picks are the same in every model of an input. */
type Asked = (model: PlanModel) => Programme;

const gapOf = (percent: number): Proof => ({ kind: 'gap', percent: Math.min(1000, Math.max(0, percent)) });

/** What no plan can be below before the search has told a bound: every camera by its cheapest option, and nothing shared. */
const leastOfAll = ({ candidates: { cameras } }: PlanningInput): number =>
  cameras.reduce(
    (sum, camera) =>
      sum + Math.min(...camera.candidates.map(({ option, weight }) => option.ownCost + weight)),
    0,
  );

/** The search that a watch follows, told in plans. */
function watchOf(input: PlanningInput, watch: PlanWatch): Watch {
  let bound = leastOfAll(input);
  return {
    progress: (progress) => {
      bound = Math.max(bound, progress.bound);
      watch.progress?.(progress);
    },
    better: (values, cost) =>
      watch.better?.(planFrom(input, values, gapOf(cost > 0 ? ((cost - bound) / cost) * 100 : 0))),
  };
}

/** So many plans that no recorders take are ruled out one by one; so many were never seen. */
const mostRefused = 20;

/**
 * The best plan under what is demanded, proven, or the best that was found in the time; or why there is none. Recorders count as sums
 * at first; a plan that finds no slots by that is sought again with every recorder apart, and ruled out if it finds none then.
 */
export function planSite(
  { highs, findsSlots }: PlanSolver,
  given: PlanningInput,
  {
    watch = {},
    secondsMost,
    asked = ({ programme }) => programme,
  }: { watch?: PlanWatch; secondsMost?: number; asked?: Asked } = {},
): Planning {
  const { site, demands, candidates } = given;
  const { cameras, excluded } = candidates;
  if (cameras.length === 0)
    return {
      kind: 'nothing',
      message: 'There is no camera to plan for: none has an option that holds.',
      excluded,
    };
  let input = given;
  for (let refused = 0; refused <= mostRefused; refused += 1) {
    const solved = solve(highs, asked(input.model), {
      ...(secondsMost === undefined ? {} : { secondsMost }),
      watch: watchOf(input, watch),
    });
    if (solved.kind === 'infeasible') {
      const priceOf = (values: readonly number[]): number =>
        planFrom(input, values, { kind: 'proven' }).totals.cost;
      return { kind: 'conflict', conflict: conflictOf(highs, input, priceOf), excluded };
    }
    if (solved.kind === 'nothing-found')
      return {
        kind: 'nothing',
        message: 'Nothing was found in the time that was given. Give it longer, or demand less.',
        excluded,
      };
    const proof: Proof = solved.kind === 'proven' ? { kind: 'proven' } : gapOf(solved.gapPercent);
    const plan = planFrom(input, solved.values, proof);
    if (findsSlots(input, plan)) return { kind: 'plan', plan };
    input = {
      ...given,
      model:
        refused === 0
          ? planModel(site, candidates, demands, 'apart')
          : withoutSuch(input.model, solved.values),
    };
  }
  return {
    kind: 'nothing',
    message: `${mostRefused} plans were found that the recorders give no slots for. Note a roomier recorder, or demand less.`,
    excluded,
  };
}
