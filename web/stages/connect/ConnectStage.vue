<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import type { NetworkMoment } from '#core/evaluate';
import { useKeys } from '../../keys/keys';
import NextStep from '../../parts/NextStep.vue';
import ViewTabs from '../../parts/ViewTabs.vue';
import { dateWords } from '../../parts/dateWords';
import { useOpenSite } from '../../stores/openSite';
import NetworkCameraDialog from './NetworkCameraDialog.vue';
import NetworkGearDialog from './NetworkGearDialog.vue';
import PlaceLinkDialog from './PlaceLinkDialog.vue';
import TreeView from './TreeView.vue';
import { useNetwork } from './useNetwork';
import { additions, connectViews, isConnectView, type Addition, type ConnectView } from './views';

const FailuresView = defineAsyncComponent(() => import('./FailuresView.vue'));
const SwitchView = defineAsyncComponent(() => import('./SwitchView.vue'));
const PowerView = defineAsyncComponent(() => import('./PowerView.vue'));
const RacksView = defineAsyncComponent(() => import('./RacksView.vue'));
const RadioView = defineAsyncComponent(() => import('./RadioView.vue'));
const AddressesView = defineAsyncComponent(() => import('./AddressesView.vue'));
const HookUpView = defineAsyncComponent(() => import('./HookUpView.vue'));

const route = useRoute();
const router = useRouter();
const openSite = useOpenSite();
/** Which dialog is open. */
const adding = ref<Addition | null>(null);
const view = computed<ConnectView>(() => (isConnectView(route.query['view']) ? route.query['view'] : 'tree'));
const isOfMoment = computed(() => connectViews.some((one) => one.id === view.value && one.isOfMoment));
const at = computed(() => String(route.query['at'] ?? 'after'));
const moment = computed<NetworkMoment>((before) => {
  const night = /^night-(\d+)$/.exec(at.value)?.[1];
  const next: NetworkMoment = night
    ? { kind: 'morning', night: Number(night) }
    : { kind: at.value === 'today' || at.value === 'now' ? at.value : 'after' };
  return before && JSON.stringify(before) === JSON.stringify(next) ? before : next;
});
const network = useNetwork(moment);
const moments = computed(() => {
  const { nights, isBegun } = network.value?.ahead ?? { nights: [], isBegun: false };
  return [
    { id: 'today', label: isBegun ? 'before' : 'today' },
    ...(isBegun ? [{ id: 'now', label: 'as it is now' }] : []),
    ...nights.map((date, k) => ({
      id: `night-${k + 1}`,
      label: date === null ? `after night ${k + 1}` : `after ${dateWords(date)}`,
    })),
    { id: 'after', label: 'when all is done' },
  ];
});
const go = (query: Record<string, string>) =>
  void router.push({ ...route, query: { ...route.query, ...query } });
const show = (next: ConnectView) => go({ view: next });
function step(by: number): void {
  const index = moments.value.findIndex(({ id }) => id === at.value);
  const next = moments.value[Math.min(moments.value.length - 1, Math.max(0, index + by))];
  if (next) go({ at: next.id });
}

const closing = (isVisible: boolean): void => {
  if (!isVisible) adding.value = null;
};

useKeys([
  ...connectViews.map(({ id, label, key }) => ({
    keys: [key],
    label: label.toLowerCase(),
    group: 'Connect',
    run: () => show(id),
  })),
  ...additions.map(({ what, label, key }) => ({
    keys: [key],
    label: label.toLowerCase(),
    group: 'Connect',
    run: () => (adding.value = what),
  })),
  { keys: ['.'], label: 'a night later', group: 'Connect', run: () => step(1) },
  { keys: [','], label: 'a night earlier', group: 'Connect', run: () => step(-1) },
]);
</script>

<template>
  <div v-if="Object.keys(openSite.recorder).length === 0" class="empty">
    <strong>This site has no recorder yet.</strong>Note it at the head end; then what hangs on it shows
    here.<br />
    <NextStep stage="survey" view="head-end" :keys="['1', 'h']" label="Survey, Head end" />
  </div>
  <div v-else class="connect">
    <div class="row head no-print">
      <h1>Connect</h1>
      <ViewTabs :views="connectViews" :view="view" label="Views of the network" @show="show" />
      <span class="push" />
      <nav v-if="isOfMoment" class="moments" aria-label="Moment">
        <template v-for="one in moments" :key="one.id">
          <b v-if="one.id === at" aria-current="true">{{ one.label }}</b>
          <button v-else type="button" class="plain" @click="go({ at: one.id })">{{ one.label }}</button>
        </template>
      </nav>
    </div>
    <PlaceLinkDialog v-if="adding === 'link'" visible @update:visible="closing" />
    <NetworkGearDialog v-if="adding === 'gear'" visible @update:visible="closing" />
    <NetworkCameraDialog v-if="adding === 'camera'" visible :network="network" @update:visible="closing" />
    <p v-if="!network" class="dim" role="status">Working out the network…</p>
    <TreeView
      v-else-if="view === 'tree'"
      class="view"
      :network="network"
      :moment="moment"
      @add="(what) => (adding = what)"
    />
    <FailuresView v-else-if="view === 'failures'" class="view" :network="network" />
    <SwitchView v-else-if="view === 'switch'" class="view" :network="network" />
    <PowerView v-else-if="view === 'power'" class="view" :moment="moment" />
    <RacksView v-else-if="view === 'racks'" class="view" :moment="moment" />
    <RadioView v-else-if="view === 'radio'" class="view" />
    <AddressesView v-else-if="view === 'addresses'" class="view" />
    <HookUpView v-else class="view" :network="network" />
  </div>
</template>

<style scoped>
.connect {
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
}
.head {
  gap: 18px;
  flex-wrap: wrap;
  row-gap: 4px;
  padding-bottom: 6px;
}
.moments {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  font-size: 12px;
}
.moments button {
  color: var(--ink-2);
}
.moments b {
  border-bottom: 2px solid var(--copper);
}
.view {
  flex: 1;
  min-height: 0;
  overflow: auto;
  scrollbar-width: thin;
}
@media (max-width: 1000px) {
  .connect {
    height: auto;
  }
}
</style>
