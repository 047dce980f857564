import { expose } from 'comlink';
import loadHighs, { type Highs } from 'highs';
import wasm from 'highs/runtime?url';
import {
  breakEvens,
  differences,
  planningInput,
  planSite,
  policyCosts,
  reasonFor,
  totalsOf,
  tradeOffCurve,
  type BreakEven,
  type CurvePoint,
  type Difference,
  type Plan,
  type PlanningInput,
  type PlanSolver,
  type Planning,
  type PlanTotals,
  type PolicyCost,
  type Reason,
  type TradeOff,
} from '#core/decide/plan';
import { sampleScenarios, type Risk } from '#core/decide/risk';
import {
  allocationOf,
  cutoverOf,
  nightsFound,
  planSolver,
  slotSite,
  type CutoverPlan,
  type NightsFound,
  type SlotProposal,
  type SlottingScope,
} from '#core/evaluate';
import { lpText, type SearchProgress } from '#core/solver';
import {
  aboutOf,
  demandsOf,
  type CutoverSettings,
  type Demands,
  type OptionKind,
  type SavedPlan,
  type Site,
} from '#core/model/site';

/** News of a search while it goes on. The thread that searches hears nothing meanwhile, so whoever has enough ends it. */
export type SearchNews = { kind: 'progress'; progress: SearchProgress } | { kind: 'better'; plan: Plan };
export interface PlannedTotals {
  id: string;
  totals: PlanTotals;
  options: Record<string, OptionKind>;
}

let highs: Promise<Highs> | undefined;
const solver = async (): Promise<PlanSolver> => planSolver(await loaded());
const loaded = (): Promise<Highs> => (highs ??= loadHighs({ locateFile: () => wasm }));

let site: Site | undefined;
/** The site under the demands that were asked for lately; a person goes back and forth between a few. */
const inputs = new Map<string, PlanningInput>();
const mostGrounds = 6;

function inputFor(demands: Demands): PlanningInput {
  if (!site) throw new Error('no site to plan for');
  const key = JSON.stringify(demands);
  const known = inputs.get(key);
  if (known) return known;
  const input = planningInput(site, demands);
  if (inputs.size >= mostGrounds) inputs.delete(inputs.keys().next().value!);
  inputs.set(key, input);
  return input;
}

const planOf = ({ options, buys, demands, proof }: SavedPlan, totals: PlanTotals): Plan => ({
  options,
  buys,
  demands,
  proof,
  totals,
  excluded: [],
});
function totalsIn(planned: SavedPlan): PlanTotals {
  const input = inputFor(planned.demands);
  return totalsOf(input.site, input.runs, planned.options, planned.buys, planned.demands).totals;
}

/** Nobody waits longer for slots to be given out. */
const slotSecondsMost = 20;

/** What came of planning the nights: nights to agree on with how sure it is that no fewer do, or why there are none. */
export type NightsAnswer =
  | { kind: 'found'; found: NightsFound; proof: Extract<CutoverPlan, { kind: 'planned' }>['proof'] }
  | Exclude<CutoverPlan, { kind: 'planned' }>;

/** Hands what comes one by one to whoever waits for it. */
function each<T>(all: Iterable<T>, tell: (one: T) => void): void {
  for (const one of all) tell(one);
}

const planner = {
  /** The site that everything after is about. */
  hold(text: string): void {
    site = JSON.parse(text) as Site;
    inputs.clear();
  },
  async plan(demands: Demands, tell: (news: SearchNews) => void): Promise<Planning> {
    const input = inputFor(demands);
    return planSite(await solver(), input, {
      watch: {
        progress: (progress) => tell({ kind: 'progress', progress }),
        better: (plan) => tell({ kind: 'better', plan }),
      },
    });
  },
  async curve(demands: Demands, tradeOff: TradeOff, tell: (point: CurvePoint) => void): Promise<void> {
    each(tradeOffCurve(await solver(), inputFor(demands), tradeOff), tell);
  },
  async reason(plan: Plan, cameraId: string): Promise<Reason | null> {
    return reasonFor(await solver(), inputFor(plan.demands), plan, cameraId);
  },
  async breakEvens(plan: Plan, cameraId: string, tell: (one: BreakEven) => void): Promise<void> {
    each(breakEvens(await solver(), inputFor(plan.demands), plan, cameraId), tell);
  },
  async policyCosts(plan: Plan, tell: (one: PolicyCost) => void): Promise<void> {
    each(policyCosts(await solver(), inputFor(plan.demands).site, plan), tell);
  },
  sampleScenarios(
    demands: Demands,
    options: Record<string, OptionKind>,
    count: number,
    seed: number,
    tell: (risk: Risk) => void,
  ): void {
    each(sampleScenarios(inputFor(demands), options, { count, seed }), tell);
  },
  totals(planned: SavedPlan): PlanTotals {
    return totalsIn(planned);
  },
  differences(a: SavedPlan, b: SavedPlan): Difference[] {
    return differences(
      inputFor(a.demands),
      planOf(a, totalsIn(a)),
      inputFor(b.demands),
      planOf(b, totalsIn(b)),
    );
  },
  /** Slots for the cameras of the site; on a very large one the best that is found in the time. */
  async slots(scope: SlottingScope): Promise<SlotProposal> {
    const { site: under, runs } = inputFor(demandsOf(site!));
    return slotSite(await loaded(), under, allocationOf(under, runs), scope, slotSecondsMost);
  },
  /** The nights of what is still to be done; the best so far is told meanwhile. */
  async nights(
    settings: CutoverSettings,
    secondsMost: number,
    tell: (found: NightsFound) => void,
  ): Promise<NightsAnswer> {
    const until = performance.now() + 1000 * secondsMost;
    const cutover = cutoverOf(await loaded(), site!, settings, {
      secondsLeft: () => (until - performance.now()) / 1000,
      better: tell,
    });
    const { plan } = cutover;
    return plan.kind === 'planned'
      ? { kind: 'found', found: nightsFound(plan.nights, cutover, plan.nights.length), proof: plan.proof }
      : plan;
  },
  lp(demands: Demands): string {
    const input = inputFor(demands);
    return lpText(input.model.programme, aboutOf(input.site).name);
  },
};

export type Planner = typeof planner;
expose(planner);
