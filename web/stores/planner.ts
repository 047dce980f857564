import type { Remote } from 'comlink';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import type { NightsFound, SlotProposal, SlottingScope } from '#core/evaluate';
import {
  samePlanningInput,
  type BreakEven,
  type Conflict,
  type CurvePoint,
  type Difference,
  type Plan,
  type Planning,
  type PlanTotals,
  type PolicyCost,
  type Reason,
  type ExcludedCamera,
  type TradeOff,
} from '#core/decide/plan';
import type { Risk } from '#core/decide/risk';
import type { SearchProgress } from '#core/solver';
import {
  demandsOf,
  type CutoverSettings,
  type Demands,
  type OptionKind,
  type SavedPlan,
  type Site,
} from '#core/model/site';
import type { NightsAnswer, Planner, SearchNews } from '../workers/planner.worker';
import { PlannerThread, Stopped } from '../workers/plannerThread';
import { useOpenSite } from './openSite';
import { useMeasures } from './measures';
import { useSite } from './site';

export type Work =
  'plan' | 'curve' | 'policies' | 'reason' | 'scenarios' | 'compare' | 'slots' | 'lp' | 'nights';
type Found =
  | { kind: 'none' }
  | { kind: 'plan'; plan: Plan }
  | { kind: 'conflict'; conflict: Conflict; excluded: ExcludedCamera[] }
  | { kind: 'nothing'; message: string; excluded: ExcludedCamera[] };

/** What passes to another thread is copied, and what the page draws with cannot be. */
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** Plans, curves and what else the solver is asked, with what it has told so far. */
export const usePlanner = defineStore('planner', () => {
  const store = useSite();
  const found = shallowRef<Found>({ kind: 'none' });
  /** The site that the plan in hand was made for: another one makes it stale. */
  const madeFor = shallowRef<Site | null>(null);
  const busy = ref<Work | null>(null);
  const progress = shallowRef<SearchProgress | null>(null);
  const trouble = ref('');
  const curve = shallowRef<{ tradeOff: TradeOff; points: CurvePoint[] } | null>(null);
  const alternatives = shallowRef<PolicyCost[]>([]);
  const risk = shallowRef<Risk | null>(null);

  const own = useMeasures();
  const thread = new PlannerThread(() => store.site);
  const heard = <T>(tell: (news: T) => void) => thread.heard(tell);
  /** Counts pieces of work: one that made room for another says nothing of it when it ends. */
  let turn = 0;

  /** Does one piece of work at a time. `null` where it was stopped or went wrong. */
  async function work<T>(kind: Work, task: (planner: Remote<Planner>) => Promise<T>): Promise<T | null> {
    const mine = (turn += 1);
    try {
      const done = thread.work(task);
      busy.value = kind;
      trouble.value = '';
      return await done;
    } catch (error) {
      if (!(error instanceof Stopped)) {
        trouble.value = `The search broke off: ${error instanceof Error ? error.message : String(error)} Nothing was changed.`;
        thread.end();
      }
      return null;
    } finally {
      if (turn === mine) busy.value = null;
    }
  }

  /** Ends what is under way and keeps what it has told so far. */
  function stop(): void {
    if (!thread.isBusy) return;
    thread.stop();
    busy.value = null;
  }

  const openSite = useOpenSite();
  const demands = computed<Demands>(() => demandsOf(openSite.value));
  const plan = computed(() => (found.value.kind === 'plan' ? found.value.plan : null));
  const isStale = computed(
    () =>
      found.value.kind !== 'none' &&
      (!madeFor.value || !store.site || !samePlanningInput(madeFor.value, store.site)),
  );
  /** The bound moves on while the best so far stays: how near that is to the best gets better known. */
  function nearer(told: SearchProgress): void {
    if (found.value.kind !== 'plan' || told.gapPercent === null) return;
    const { plan: best } = found.value;
    if (best.proof.kind === 'gap')
      found.value = { kind: 'plan', plan: { ...best, proof: { kind: 'gap', percent: told.gapPercent } } };
  }
  async function findPlan(): Promise<void> {
    progress.value = null;
    alternatives.value = [];
    const site = store.site;
    let [isFirst, isOver] = [true, false];
    const planning = await work<Planning>(
      'plan',
      async (planner) =>
        await planner.plan(
          plain(demands.value),
          heard<SearchNews>((news) => {
            if (isOver) return;
            if (news.kind === 'progress') {
              progress.value = news.progress;
              if (!isFirst) nearer(news.progress);
            } else {
              // The best so far stands from the first moment on, and what was shown before goes.
              found.value = { kind: 'plan', plan: news.plan };
              if (isFirst) madeFor.value = site;
              isFirst = false;
            }
          }),
        ),
    );
    isOver = true;
    if (!planning) return;
    found.value = planning;
    madeFor.value = site;
  }

  async function findCurve(tradeOff: TradeOff): Promise<void> {
    curve.value = { tradeOff, points: [] };
    await work('curve', (planner) =>
      planner.curve(
        plain(demands.value),
        tradeOff,
        heard((point: CurvePoint) => {
          if (curve.value?.tradeOff === tradeOff)
            curve.value = { tradeOff, points: [...curve.value.points, point] };
        }),
      ),
    );
  }

  async function costAlternatives(): Promise<void> {
    const made = plan.value;
    if (!made) return;
    alternatives.value = [];
    await work('policies', (planner) =>
      planner.policyCosts(
        plain(made),
        heard((one: PolicyCost) => {
          alternatives.value = [...alternatives.value, one];
        }),
      ),
    );
  }

  /** Why a camera has what it has, then one by one what would change it. */
  async function explain(
    cameraId: string,
    told: (reason: Reason | null, turns: BreakEven[]) => void,
  ): Promise<void> {
    const made = plan.value;
    if (!made) return;
    await work('reason', async (planner) => {
      const reason = await planner.reason(plain(made), cameraId);
      let turns: BreakEven[] = [];
      told(own.told(reason), turns);
      await planner.breakEvens(
        plain(made),
        cameraId,
        heard((one: BreakEven) => told(own.told(reason), own.told((turns = [...turns, one])))),
      );
    });
  }

  async function sampleScenarios(
    options: Record<string, OptionKind>,
    count: number,
    seed: number,
  ): Promise<void> {
    risk.value = null;
    await work('scenarios', (planner) =>
      planner.sampleScenarios(
        plain(demands.value),
        plain(options),
        count,
        seed,
        heard((news: Risk) => {
          risk.value = news;
        }),
      ),
    );
  }

  const compare = (
    plans: readonly SavedPlan[],
  ): Promise<{ totals: PlanTotals[]; differences: Difference[] } | null> =>
    work('compare', async (planner) => {
      const totals: PlanTotals[] = [];
      for (const one of plans) totals.push(await planner.totals(plain(one)));
      return {
        totals,
        differences: plans.length < 2 ? [] : await planner.differences(plain(plans[0]!), plain(plans[1]!)),
      };
    });

  const slots = (scope: SlottingScope): Promise<SlotProposal | null> =>
    work('slots', (planner) => planner.slots(scope));

  const nights = (
    settings: CutoverSettings,
    secondsMost: number,
    better: (found: NightsFound) => void,
  ): Promise<NightsAnswer | null> =>
    work<NightsAnswer>(
      'nights',
      async (planner) => await planner.nights(plain(settings), secondsMost, heard(better)),
    );

  const lp = (): Promise<string | null> => work('lp', (planner) => planner.lp(plain(demands.value)));

  /** A plan that was found elsewhere, on a curve, becomes the one in hand. */
  function adoptPlan(other: Plan): void {
    found.value = { kind: 'plan', plan: other };
    madeFor.value = store.site;
  }

  watch(
    () => store.id,
    () => {
      stop();
      thread.end();
      found.value = { kind: 'none' };
      [curve.value, risk.value, alternatives.value, trouble.value] = [null, null, [], ''];
    },
  );

  return {
    found,
    plan,
    isStale,
    busy,
    progress,
    trouble,
    curve,
    alternatives,
    risk,
    demands,
    findPlan,
    findCurve,
    costAlternatives,
    explain,
    sampleScenarios,
    compare,
    slots,
    nights,
    lp,
    stop,
    adoptPlan,
  };
});
