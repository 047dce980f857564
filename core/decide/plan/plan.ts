import type { Highs } from 'highs';
import { evaluateRuns, type RunEvaluation } from '#core/decide/runEvaluation';
import { totalOf, type Buys, type FeasibleOption, type Total } from '#core/decide/options';
import { costOf, solve, type Programme, type SearchProgress } from '#core/solver';
import { demandsOf, type Demands, type OptionKind, type Proof, type Site } from '#core/model/site';
import { candidatesOf, type ExcludedCamera } from './candidates';
import { conflictOf, type Conflict } from './conflictWords';
import { planModel } from './planModel';
import type { PlanningInput } from './types';

/** An option for each camera, recorders to buy, and what it comes to. */
export interface Plan {
  options: Record<string, OptionKind>;
  buys: { productId: string; placeId: string; count: number }[];
  demands: Demands;
  proof: Proof;
  totals: PlanTotals;
  excluded: ExcludedCamera[];
}

/** What a plan is compared by. */
export interface PlanTotals {
  cost: number;
  hours: number;
  darkHours: number;
  renewCost: number;
  /** What the search weighed: cost with what the policies count beside it. */
  weighed: number;
  cameras: number;
  ipCameras: number;
  recabled: number;
  newCableM: number;
  /** The least share of any limit that is left over, in percent; how much of what it rests on is measured. */
  sparePercent: number;
  measured: number;
  /** Cameras whose option rests on facts that nobody has looked at, or on a run without its tests. */
  onOpenGaps: number;
}

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
    model: planModel(under, candidates, demands),
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
    if (values[variable] !== 1) continue;
    const key = `${productId} ${placeId}`;
    counts.set(key, { productId, placeId, count: (counts.get(key)?.count ?? 0) + 1 });
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

const gapOf = (percent: number): Proof => ({ kind: 'gap', percent: Math.min(1000, Math.max(0, percent)) });

/** What no plan can be below before the search has told a bound: every camera by its cheapest option, and nothing shared. */
const leastOfAll = ({ candidates: { cameras } }: PlanningInput): number =>
  cameras.reduce(
    (sum, camera) =>
      sum + Math.min(...camera.candidates.map(({ option, weight }) => option.ownCost + weight)),
    0,
  );

/** The best plan under what is demanded, proven, or the best that was found in the time; or why there is none. */
export function planSite(
  highs: Highs,
  input: PlanningInput,
  {
    watch = {},
    secondsMost,
    programme = input.model.programme,
  }: { watch?: PlanWatch; secondsMost?: number; programme?: Programme } = {},
): Planning {
  const {
    candidates: { cameras, excluded },
  } = input;
  if (cameras.length === 0)
    return {
      kind: 'nothing',
      message: 'There is no camera to plan for: none has an option that holds.',
      excluded,
    };
  const priceOf = (values: readonly number[]): number =>
    planFrom(input, values, { kind: 'proven' }).totals.cost;
  let bound = leastOfAll(input);
  const solved = solve(highs, programme, {
    ...(secondsMost === undefined ? {} : { secondsMost }),
    watch: {
      progress: (progress) => {
        bound = Math.max(bound, progress.bound);
        watch.progress?.(progress);
      },
      better: (values, cost) =>
        watch.better?.(planFrom(input, values, gapOf(cost > 0 ? ((cost - bound) / cost) * 100 : 0))),
    },
  });
  switch (solved.kind) {
    case 'proven':
      return { kind: 'plan', plan: planFrom(input, solved.values, { kind: 'proven' }) };
    case 'stopped':
      return { kind: 'plan', plan: planFrom(input, solved.values, gapOf(solved.gapPercent)) };
    case 'infeasible':
      return { kind: 'conflict', conflict: conflictOf(highs, input, priceOf), excluded };
    case 'nothing-found':
      return {
        kind: 'nothing',
        message: 'Nothing was found in the time that was given. Give it longer, or demand less.',
        excluded,
      };
  }
}
