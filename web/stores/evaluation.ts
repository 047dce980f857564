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
import { evaluator as worker } from '../workers/evaluator';
import { useSite } from './site';

/** What the core makes of the open site, worked out in a thread of its own after every change. */
export const useEvaluation = defineStore('evaluation', () => {
  const store = useSite();
  const result = shallowRef<SiteSummary | null>(null);
  /** Whether verdicts and options are in as well; they come a moment after all else when a site is opened. */
  const isWhole = ref(false);

  /** The site that the worker has, and the id under which it was opened. */
  let held: { id: string; site: Site } | null = null;
  let running = false;
  let latest: Site | null = null;

  async function evaluate(id: string, site: Site): Promise<void> {
    const isSame = held?.id === id && result.value !== null;
    if (isSame) {
      const news = await worker.follow(changesBetween(held!.site, site));
      held = { id, site };
      result.value = applyPatch(result.value, JSON.parse(news) as SummaryPatch, site);
      return;
    }
    const early = store.takeEarlyNews();
    const first = early ?? { site, news: await worker.open(JSON.stringify(site)) };
    held = { id, site: first.site };
    result.value = applyPatch(null, JSON.parse(first.news) as SummaryPatch, first.site);
    isWhole.value = false;
    const details = await worker.details();
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
      }
    } finally {
      running = false;
    }
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
  const why = (subject: Subject) => worker.why(subject);
  const chance = (runId: string, option: OptionKind) => worker.chance(runId, option);
  const sheet = () => worker.sheet();
  const traceView = (runId: string) => worker.traceView(runId);
  const insight = (runId: string) => worker.insight(runId);

  return { result, isWhole, byRun, why, chance, sheet, insight, traceView };
});
