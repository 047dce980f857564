import { proxy, releaseProxy, wrap, type Remote } from 'comlink';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, toRaw, watch } from 'vue';
import type { SlotProposal, SlottingScope } from '#core/evaluate';
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
import { demandsOf, type Demands, type OptionKind, type SavedPlan, type Site } from '#core/model/site';
import type { Planner, SearchNews } from '../workers/planner.worker';
import { useSite } from './site';

export type Work = 'plan' | 'curve' | 'policies' | 'reason' | 'scenarios' | 'compare' | 'slots' | 'lp';
type Found =
  | { kind: 'none' }
  | { kind: 'plan'; plan: Plan }
  | { kind: 'conflict'; conflict: Conflict; snags: ExcludedCamera[] }
  | { kind: 'nothing'; message: string; snags: ExcludedCamera[] };

/** Thrown to whoever waited for work that was stopped. */
class Stopped extends Error {}

/**
 * The solver in a thread of its own. It hears nothing while it searches, so stopping ends the thread; what it has told
 * until then is kept.
 */
export const usePlanner = defineStore('planner', () => {
  const store = useSite();
  const found = shallowRef<Found>({ kind: 'none' });
  /** The site that the plan in hand was made for: another one makes it stale. */
  const madeFor = shallowRef<Site | null>(null);
  const busy = ref<Work | null>(null);
  const progress = shallowRef<SearchProgress | null>(null);
  const trouble = ref('');
  const curve = shallowRef<{ tradeOff: TradeOff; points: CurvePoint[] } | null>(null);
  const schools = shallowRef<PolicyCost[]>([]);
  const risk = shallowRef<Risk | null>(null);

  let thread: Worker | null = null;
  let remote: Remote<Planner> | null = null;
  let held: Site | null = null;
  let leave: ((why: Error) => void) | null = null;
  /** Which piece of work is under way or was last: what an earlier one still tells is passed over. */
  let turn = 0;

  function end(): void {
    remote?.[releaseProxy]();
    thread?.terminate();
    [thread, remote, held] = [null, null, null];
  }

  async function ready(): Promise<Remote<Planner>> {
    if (!remote) {
      thread = new Worker(new URL('../workers/planner.worker.ts', import.meta.url), { type: 'module' });
      // Its program comes from the server, which may be gone just now.
      thread.addEventListener('error', () =>
        leave?.(new Error('the solver could not be started; is the server there?')),
      );
      remote = wrap<Planner>(thread);
    }
    const site = toRaw(store.site);
    if (site && held !== site) {
      held = site;
      await remote.hold(JSON.stringify(site));
    }
    return remote;
  }

  /** Does one piece of work at a time; what was under way makes room. `null` where it was stopped or went wrong. */
  async function work<T>(kind: Work, task: (planner: Remote<Planner>) => Promise<T>): Promise<T | null> {
    stop();
    turn += 1;
    busy.value = kind;
    trouble.value = '';
    const stopped = new Promise<never>((_, reject) => {
      leave = reject;
    });
    const mine = leave;
    try {
      return await Promise.race([ready().then(task), stopped]);
    } catch (error) {
      if (!(error instanceof Stopped)) {
        trouble.value = `The search broke off: ${error instanceof Error ? error.message : String(error)} Nothing was changed.`;
        end();
      }
      return null;
    } finally {
      if (leave === mine) {
        leave = null;
        busy.value = null;
      }
    }
  }

  /** Ends what is under way and keeps what it has told so far. */
  function stop(): void {
    if (!leave) return;
    end();
    const left = leave;
    leave = null;
    busy.value = null;
    left(new Stopped());
  }

  /** Hears the thread out as long as nothing newer was asked of it. News travel beside the answer and may come after it. */
  function heard<T>(tell: (news: T) => void): (news: T) => void {
    const mine = turn;
    return proxy((news: T) => {
      if (mine === turn) tell(news);
    });
  }

  const demands = computed<Demands>(() => demandsOf(store.site!));
  const plan = computed(() => (found.value.kind === 'plan' ? found.value.plan : null));
  const isStale = computed(
    () =>
      found.value.kind !== 'none' &&
      (!madeFor.value || !store.site || !samePlanningInput(madeFor.value, store.site)),
  );
  const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

  async function findPlan(): Promise<void> {
    progress.value = null;
    schools.value = [];
    const site = store.site;
    let [isFirst, isOver] = [true, false];
    const planning = await work<Planning>(
      'plan',
      async (planner) =>
        await planner.plan(
          plain(demands.value),
          heard<SearchNews>((news) => {
            if (isOver) return;
            if (news.kind === 'progress') progress.value = news.progress;
            else {
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

  async function costSchools(): Promise<void> {
    const made = plan.value;
    if (!made) return;
    schools.value = [];
    await work('policies', (planner) =>
      planner.policyCosts(
        plain(made),
        heard((one: PolicyCost) => {
          schools.value = [...schools.value, one];
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
      told(reason, turns);
      await planner.breakEvens(
        plain(made),
        cameraId,
        heard((one: BreakEven) => told(reason, (turns = [...turns, one]))),
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
      end();
      found.value = { kind: 'none' };
      [curve.value, risk.value, schools.value, trouble.value] = [null, null, [], ''];
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
    schools,
    risk,
    demands,
    findPlan,
    findCurve,
    costSchools,
    explain,
    sampleScenarios,
    compare,
    slots,
    lp,
    stop,
    takeUp: adoptPlan,
  };
});
