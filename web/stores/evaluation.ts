import { wrap, type Remote } from 'comlink';
import { defineStore } from 'pinia';
import { computed, shallowRef, watch } from 'vue';
import { withNews, type LightRun, type LightSite, type Subject } from '#core/evaluation';
import { changesBetween, type Site } from '#core/site';
import type { Evaluator } from '../workers/evaluator.worker';
import { useSite } from './site';

/** What the core makes of the open site, worked out in a thread of its own after every change. */
export const useEvaluation = defineStore('evaluation', () => {
  const store = useSite();
  const worker: Remote<Evaluator> = wrap<Evaluator>(new Worker(new URL('../workers/evaluator.worker.ts', import.meta.url), { type: 'module' }));
  const result = shallowRef<LightSite | null>(null);

  /** The site that the worker has, and the id under which it was opened. */
  let held: { id: string; site: Site } | null = null;
  let running = false;
  let latest: Site | null = null;

  async function newsOf(id: string, site: Site): Promise<LightSite> {
    const isSame = held?.id === id && result.value !== null;
    const news = isSame ? await worker.follow(changesBetween(held!.site, site)) : await worker.open(site);
    held = { id, site };
    return withNews(isSame ? result.value : null, news);
  }

  /** Only the newest site is worth evaluating; those that came meanwhile are passed over. */
  async function evaluateLatest(): Promise<void> {
    if (running) return;
    running = true;
    try {
      while (latest) {
        const site: Site = latest;
        latest = null;
        result.value = await newsOf(store.id, site);
      }
    } finally {
      running = false;
    }
  }

  watch(() => store.site, (site) => {
    latest = site;
    if (site) void evaluateLatest();
    else {
      held = null;
      result.value = null;
    }
  }, { immediate: true });

  const byRun = computed(() => new Map(result.value?.runs.map((evaluation): [string, LightRun] => [evaluation.run.id, evaluation]) ?? []));
  const why = (subject: Subject) => worker.why(subject);
  const sheet = () => worker.sheet();

  return { result, byRun, why, sheet };
});
