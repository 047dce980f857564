import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import {
  withDetails,
  applyPatch,
  type SummaryDetails,
  type SummaryPatch,
  type RunSummary,
  type SiteSummary,
  type Subject,
  type Moved,
  type NightHelp,
  type NetworkMoment,
  type RoundAim,
  type WantedPlace,
} from '#core/evaluate';
import type { DeviceGoal, PlanForDevice } from '#core/allocate/device';
import { changesBetween, type OptionKind, type Site } from '#core/model/site';
import { isPartMissing } from '../offline/partMissing';
import { beforeIdle } from '../offline/whenIdle';
import { untilPainted } from '../parts/untilPainted';
import { askEvaluator, restartEvaluator, StartedAnew } from '../workers/evaluator';
import { missingPart } from '../workers/missingPart';
import { useMeasures } from './measures';
import type { PaperId } from '#core/documents';
import type { PaperAsked } from '../workers/questions';
import { useSite } from './site';

/** What the core makes of the open site, worked out in a thread of its own after every change. */
export const useEvaluation = defineStore('evaluation', () => {
  const store = useSite();
  const own = useMeasures();
  const result = shallowRef<SiteSummary | null>(null);
  /** Whether verdicts and options are in as well; they come a moment after all else when a site is opened. */
  const isWhole = ref(false);
  /** Traces that are still being read; their runs are not judged until then. */
  const tracesLeft = ref(0);
  /** Why the site as it is now could not be worked out; what is shown is then from before. */
  const problem = ref<string | null>(null);

  /** The site that the worker has, and the id under which it was opened. */
  let held: { id: string; site: Site } | null = null;
  let running = false;
  let latest: Site | null = null;

  /** A failure is said; that the thread was started anew on purpose is none. */
  function say(error: Error): void {
    if (!(error instanceof StartedAnew)) problem.value = error.message;
  }

  async function follow(id: string, before: Site, site: Site): Promise<void> {
    const news = await askEvaluator((worker) => worker.follow(changesBetween(before, site)));
    held = { id, site };
    result.value = applyPatch(result.value, own.read<SummaryPatch>(news), site);
  }

  /** Takes over what traces tell, part by part, as they are read. */
  async function followTraces(id: string): Promise<void> {
    for (;;) {
      const told = await askEvaluator((worker) => worker.nextTraces());
      if (!told || held?.id !== id || !result.value) return;
      result.value = applyPatch(result.value, own.read<SummaryPatch>(told.news), held.site);
      tracesLeft.value = told.left;
    }
  }

  /** Verdicts and options of all runs, most of what there is to tell. */
  async function takeDetails(id: string): Promise<void> {
    const details = await askEvaluator((worker) => worker.details());
    if (held?.id !== id || !result.value) return;
    result.value = withDetails(result.value, own.read<SummaryDetails>(details));
    isWhole.value = true;
  }

  /** What comes after the board is shown: traces as they are read, then what is looked at in one run at a time. */
  async function tellRest(id: string): Promise<void> {
    await followTraces(id);
    await takeDetails(id);
  }

  async function openSite(id: string, site: Site): Promise<void> {
    const early = store.takeEarlyNews();
    const first = early?.site ?? site;
    const news = await (early?.news ?? askEvaluator((worker) => worker.open(JSON.stringify(site))));
    held = { id, site: first };
    result.value = applyPatch(null, own.read<SummaryPatch>(news), first);
    isWhole.value = false;
    tracesLeft.value = 0;
    void tellRest(id).catch(say);
    // Edits that were on their way when the page was left are on top of what was made ready early.
    if (first !== site && held?.id === id) await follow(id, first, site);
  }

  /** Opens a site; what nobody waits for is left until it is on the screen. */
  function opened(id: string, site: Site): Promise<void> {
    const opening = openSite(id, site);
    beforeIdle(opening.then(untilPainted)).catch(() => undefined);
    return opening;
  }

  const evaluate = (id: string, site: Site): Promise<void> =>
    held?.id === id && result.value ? follow(id, held.site, site) : opened(id, site);

  /** Only the newest site is worth evaluating; those that came meanwhile are passed over. */
  async function evaluateLatest(): Promise<void> {
    if (running) return;
    running = true;
    try {
      while (latest) {
        const site: Site = latest;
        latest = null;
        await evaluate(store.id, site).then(
          () => (problem.value = null),
          // Whoever started the thread anew has put the site here again.
          (error: Error) => say(error),
        );
      }
    } finally {
      running = false;
    }
  }

  /** Works the site out from the start in a new thread. */
  async function retry(): Promise<void> {
    restartEvaluator();
    held = null;
    latest = store.site;
    await evaluateLatest();
  }

  watch(
    () => store.site,
    (site) => {
      latest = site;
      if (site) void evaluateLatest();
      else {
        held = null;
        result.value = null;
      }
    },
    { immediate: true },
  );

  /** All that was told of the site once more, in the lengths that the person reads now; what is open stays open meanwhile. */
  async function tellAgain(): Promise<void> {
    if (!held || !result.value) return retry();
    const { id } = held;
    const news = await askEvaluator((worker) => worker.everything());
    if (held?.id === id) result.value = applyPatch(null, own.read<SummaryPatch>(news), held.site);
  }
  watch(
    () => own.measures.length,
    () => void tellAgain().catch(say),
  );

  const byRun = computed(
    () =>
      new Map(
        result.value?.runs.map((evaluation): [string, RunSummary] => [evaluation.run.id, evaluation]) ?? [],
      ),
  );
  /** What is asked about the site beside its summary; nothing where the thread has failed, which is then said. */
  async function ask<T>(question: Parameters<typeof askEvaluator<T>>[0]): Promise<T | null> {
    try {
      return await askEvaluator(question);
    } catch (error) {
      // What was worked out is as right as before; only this question has no answer.
      if ((error as Error).name === missingPart) isPartMissing.value = true;
      else say(error as Error);
      return null;
    }
  }
  /** The same with its sentences in the person’s own lengths. */
  const tell = async <T>(question: Parameters<typeof askEvaluator<T>>[0]): Promise<T | null> =>
    own.told(await ask(question));
  const why = (subject: Subject) => tell((worker) => worker.why(subject));
  const chance = (runId: string, option: OptionKind) => ask((worker) => worker.chance(runId, option));
  const network = (moment: NetworkMoment) => tell((worker) => worker.network(moment));
  const rooms = (moment: NetworkMoment) => tell((worker) => worker.rooms(moment));
  const hookUp = (cameraId: string, gauge: 'awg' | 'mm2') => tell((worker) => worker.hookUp(cameraId, gauge));
  /** Papers of a day in the person’s own measures; labels lead to the pages of this very site. */
  const asked = (on: string, night?: string): PaperAsked => ({
    on,
    ...(night === undefined ? {} : { night }),
    measures: { ...own.measures },
    pages: `${window.location.origin}/site/${store.id}/survey/`,
  });
  const paper = (id: PaperId, on: string, night?: string) =>
    tell((worker) => worker.paper(id, asked(on, night)));
  const offer = (on: string) => tell((worker) => worker.offer(asked(on)));
  const traceView = (runId: string) => ask((worker) => worker.traceView(runId));
  const diagnostics = (runId: string) => tell((worker) => worker.diagnostics(runId));
  const expected = (runId: string) => tell((worker) => worker.expected(runId));
  const learned = (runId: string, option: OptionKind) => ask((worker) => worker.learned(runId, option));
  const doubts = () => ask((worker) => worker.doubts());
  const signOff = () => tell((worker) => worker.signOff());
  const nights = (now: number) => tell((worker) => worker.nights(now));
  const nightCard = (taskId: string) => tell((worker) => worker.nightCard(taskId));
  const devicePlan = (recorderId: string, goal: DeviceGoal) =>
    tell<PlanForDevice | null>(async (worker) => await worker.devicePlan(recorderId, goal));
  const pickList = (cameraIds: string[]) => tell((worker) => worker.pickList(cameraIds));
  const orderList = (nightOfCamera: [string, string][]) => tell((worker) => worker.orderList(nightOfCamera));
  const morning = (done: string[]) => tell((worker) => worker.morning(done));
  const nightHelp = (now: number, date: string) =>
    tell<NightHelp[] | null>(async (worker) => await worker.nightHelp(now, date));
  const moveTask = (now: number, taskId: string, wanted: WantedPlace) =>
    tell<Moved | null>(async (worker) => await worker.moveTask(now, taskId, wanted));
  const round = (minutesMost: number, aim: RoundAim) => tell((worker) => worker.round(minutesMost, aim));

  return {
    result,
    isWhole,
    tracesLeft,
    problem,
    retry,
    byRun,
    why,
    chance,
    learned,
    doubts,
    paper,
    offer,
    network,
    rooms,
    hookUp,
    diagnostics,
    expected,
    round,
    nights,
    signOff,
    nightHelp,
    moveTask,
    morning,
    devicePlan,
    pickList,
    orderList,
    nightCard,
    traceView,
  };
});
