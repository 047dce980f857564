import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, watch } from 'vue';
import { useRoute } from 'vue-router';
import { useSite } from './site';
import { tourSteps } from './tourSteps';

/** A first run from its readings to the plan, on a demo of one’s own. Left at any time, and where it was after a reload. */
export const useTour = defineStore('tour', () => {
  const store = useSite();
  const route = useRoute();
  const kept = useLocalStorage<{ siteId: string; at: number } | null>('neotrope-tour', null, {
    flush: 'sync',
    serializer: { read: (text) => JSON.parse(text) as { siteId: string; at: number }, write: JSON.stringify },
  });
  const at = computed(() => (kept.value?.siteId === store.id ? kept.value.at : null));
  const step = computed(() => (at.value === null ? null : (tourSteps[at.value] ?? null)));
  const isDone = computed(
    () =>
      step.value !== null &&
      store.site !== null &&
      step.value.isDone(store.site, { stage: String(route.name), view: route.query['view'] }),
  );
  const begin = (siteId: string): void => {
    kept.value = { siteId, at: 0 };
  };
  const leave = (): void => {
    kept.value = null;
  };
  // What is done leads on by itself; the last step is left by whoever takes it.
  watch(isDone, (done) => {
    if (done && kept.value && kept.value.at < tourSteps.length - 1)
      kept.value = { ...kept.value, at: kept.value.at + 1 };
  });
  return { at, step, isDone, begin, leave };
});
