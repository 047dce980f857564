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
} from '#core/evaluate';
import { changesBetween, type OptionKind, type Site } from '#core/model/site';
import { askEvaluator, restartEvaluator } from '../workers/evaluator';
import { useSite } from './site';

/** What the core makes of the open site, worked out in a thread of its own after every change. */
export const useEvaluation = defineStore('evaluation', () => {
  const store = useSite();
  const result = shallowRef<SiteSummary | null>(null);
  /** Whether verdicts and options are in as well; they come a moment after all else when a site is opened. */
  const isWhole = ref(false);
  /** Why the site as it is now could not be worked out; what is shown is then from before. */
  const problem = ref<string | null>(null);

  /** The site that the worker has, and the id under which it was opened. */
  let held: { id: string; site: Site } | null = null;
  let running = false;
  let latest: Site | null = null;

  async function evaluate(id: string, site: Site): Promise<void> {
    const isSame = held?.id === id && result.value !== null;
    if (isSame) {
      const news = await askEvaluator((worker) => worker.follow(changesBetween(held!.site, site)));
      held = { id, site };
      result.value = applyPatch(result.value, JSON.parse(news) as SummaryPatch, site);
      return;
    }
    const early = store.takeEarlyNews();
    const first = early ?? { site, news: await askEvaluator((worker) => worker.open(JSON.stringify(site))) };
    held = { id, site: first.site };
    result.value = applyPatch(null, JSON.parse(first.news) as SummaryPatch, first.site);
    isWhole.value = false;
    const details = await askEvaluator((worker) => worker.details());
    if (held?.id !== id || !result.value) return;
    result.value = withDetails(result.value, JSON.parse(details) as SummaryDetails);
    isWhole.value = true;
    // Edits that were on their way when the page was left are on top of what was made ready early.
    if (first.site !== site) await evaluate(id, site);
  }

  /** Only the newest site is worth evaluating; those that came meanwhile are passed over. */
  async function evaluateLatest(): Promise<void> {
    if (running) return;
    running = true;
    try {
      while (latest) {
        const site: Site = latest;
        latest = null;
        await evaluate(store.id, site);
        problem.value = null;
      }
    } catch (error) {
      problem.value = (error as Error).message;
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
      problem.value = (error as Error).message;
      return null;
    }
  }
  const why = (subject: Subject) => ask((worker) => worker.why(subject));
  const chance = (runId: string, option: OptionKind) => ask((worker) => worker.chance(runId, option));
  const sheet = () => ask((worker) => worker.sheet());
  const traceView = (runId: string) => ask((worker) => worker.traceView(runId));
  const diagnostics = (runId: string) => ask((worker) => worker.diagnostics(runId));

  return { result, isWhole, problem, retry, byRun, why, chance, sheet, diagnostics, traceView };
});
