import { useDocumentVisibility, useEventListener, useIntervalFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, shallowRef, watch } from 'vue';
import { newsSchema, pathOf, live, type Present } from '#contract';
import { useAccount } from './account';
import { api, newsAddress } from './api';
import { useSelection } from './selection';
import { useSite } from './site';

/** So often a window says that it is still there. */
const againMs = 25_000;
const windowId = crypto.randomUUID();

/** What happens at the open site elsewhere, as it happens: edits, and who has which run in hand. Only a window that is looked at listens. */
export const useLive = defineStore('live', () => {
  const store = useSite();
  const account = useAccount();
  const selection = useSelection();
  const present = shallowRef<readonly Present[]>([]);
  const visibility = useDocumentVisibility();
  const siteId = computed(() =>
    !account.isSignedOut &&
    store.opened === 'open' &&
    store.knownAt === null &&
    visibility.value === 'visible'
      ? store.id
      : '',
  );
  let line: EventSource | null = null;

  function hear({ data }: MessageEvent<string>): void {
    const read = newsSchema.safeParse(JSON.parse(data));
    if (!read.success) return;
    const news = read.data;
    if (news.kind === 'present') present.value = news.people.filter((one) => one.windowId !== windowId);
    else if (news.version > store.version) void store.refresh();
  }
  const here = (isLeaving = false) => ({
    windowId,
    name: store.signedBy('Surveyor'),
    runId: selection.runId,
    isLeaving,
  });
  function say(): void {
    if (siteId.value) void api.here(siteId.value, here());
  }

  watch(
    siteId,
    (id, before) => {
      line?.close();
      line = null;
      present.value = [];
      if (before) void api.here(before, here(true));
      if (!id) return;
      line = new EventSource(newsAddress(id));
      line.onmessage = hear;
      // Also after it was broken off: what was missed meanwhile is asked for.
      line.onopen = () => {
        say();
        void store.refresh();
      };
    },
    { immediate: true },
  );
  watch(() => selection.runId, say);
  useIntervalFn(say, againMs);
  // A page that goes has no time for an answer.
  useEventListener(window, 'pagehide', () => {
    if (!siteId.value) return;
    const body = new Blob([JSON.stringify(here(true))], { type: 'application/json' });
    navigator.sendBeacon(`/api${pathOf(live.here.path, { id: siteId.value })}`, body);
  });

  /** Who else has a run in hand, by name. */
  const atRun = computed(() => {
    const byRun = new Map<string, string[]>();
    for (const { runId, name } of present.value)
      if (runId !== null) byRun.set(runId, [...(byRun.get(runId) ?? []), name]);
    return byRun;
  });
  const others = computed(() => present.value.length);
  return { atRun, others };
});
