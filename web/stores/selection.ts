import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import type { RunSummary } from '#core/evaluate';
import { isFound, runIndex } from '#core/test/find';
import type { StageName } from '../frame/stageName';
import { useEvaluation } from './evaluation';
import { useSite } from './site';

export interface PlaceGroup {
  placeId: string;
  name: string;
  runs: RunSummary[];
}

/** The run in hand, kept through every stage, and the list it stands in. */
export const useSelection = defineStore('selection', () => {
  const route = useRoute();
  const router = useRouter();
  const store = useSite();
  const evaluation = useEvaluation();
  const filter = ref('');
  /** What each run can be found by, worked out while something is looked for. */
  const index = computed(() => (store.site ? runIndex(store.site) : null));

  const groups = computed<PlaceGroup[]>(() => {
    const { site } = store;
    if (!site || !evaluation.result) return [];
    const wanted = filter.value.trim();
    const byPlace = new Map<string, PlaceGroup>();
    for (const run of evaluation.result.runs) {
      const name = site.place[run.camera.placeId]?.name ?? '';
      if (wanted && !isFound(index.value?.get(run.run.id) ?? [], wanted)) continue;
      const group = byPlace.get(run.camera.placeId) ?? { placeId: run.camera.placeId, name, runs: [] };
      group.runs.push(run);
      byPlace.set(run.camera.placeId, group);
    }
    return [...byPlace.values()];
  });
  const listed = computed(() => groups.value.flatMap(({ runs }) => runs));
  const runId = computed(() =>
    typeof route.params['runId'] === 'string' && route.params['runId'] !== '' ? route.params['runId'] : null,
  );
  const current = computed(() => (runId.value ? (evaluation.byRun.get(runId.value) ?? null) : null));
  const stage = computed(() => route.name as StageName);

  /** Which view of a stage is open stays while the stage does. */
  const keptQuery = (next?: StageName) => (next === undefined || next === stage.value ? route.query : {});
  /** The stage that is being opened, while its code is still on the way: a run picked meanwhile is picked there. */
  let heading: StageName | null = null;
  async function go(params: { stage?: StageName; runId?: string | null }): Promise<void> {
    if (params.stage) heading = params.stage;
    await router.push({
      name: params.stage ?? stage.value,
      params: { siteId: store.id, runId: (params.runId === undefined ? runId.value : params.runId) ?? '' },
      query: keptQuery(params.stage),
    });
    if (heading === params.stage) heading = null;
  }
  const select = (id: string) =>
    id === runId.value
      ? undefined
      : router.replace({
          name: heading ?? stage.value,
          params: { siteId: store.id, runId: id },
          query: keptQuery(heading ?? undefined),
        });

  /** Moves along the list by so many runs and stays on its ends. */
  function step(by: number): void {
    const runs = listed.value;
    if (runs.length === 0) return;
    const at = runs.findIndex(({ run }) => run.id === runId.value);
    const next = at < 0 ? (by > 0 ? 0 : runs.length - 1) : Math.min(runs.length - 1, Math.max(0, at + by));
    void select(runs[next]!.run.id);
  }

  /** How many runs the search leaves out, of how many. */
  const found = computed(() => ({
    shown: listed.value.length,
    all: evaluation.result?.runs.length ?? 0,
  }));

  return { index, found, filter, groups, listed, runId, current, stage, go, select, step };
});
