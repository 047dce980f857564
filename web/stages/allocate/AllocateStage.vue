<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useKeys } from '../../keys/keys';
import NextStep from '../../parts/NextStep.vue';
import ViewTabs from '../../parts/ViewTabs.vue';
import { useOpenEvaluation } from '../../stores/openSite';
import RackView from './RackView.vue';
import { allocateViews, isAllocateView, type AllocateView } from './views';

const StreamsView = defineAsyncComponent(() => import('./StreamsView.vue'));
const OrderView = defineAsyncComponent(() => import('./OrderView.vue'));
const ReadyView = defineAsyncComponent(() => import('./ReadyView.vue'));
const DeviceView = defineAsyncComponent(() => import('./DeviceView.vue'));

const route = useRoute();
const router = useRouter();
const summary = useOpenEvaluation();
const view = computed<AllocateView>(() =>
  isAllocateView(route.query['view']) ? route.query['view'] : 'rack',
);
const show = (next: AllocateView) =>
  void router.push({ ...route, query: next === 'rack' ? {} : { view: next } });
const allocation = computed(() => summary.value.allocation);

useKeys(
  allocateViews.map(({ id, label, key }) => ({
    keys: [key],
    label: label.toLowerCase(),
    group: 'Allocate',
    run: () => show(id),
  })),
);
</script>

<template>
  <div v-if="allocation.recorders.length === 0" class="empty">
    <strong>This site has no recorder yet.</strong>Note it at the head end; then its slots show here.<br />
    <NextStep stage="survey" view="head-end" :keys="['1', 'h']" label="Survey, Head end" />
  </div>
  <div v-else class="allocate">
    <div class="row head no-print">
      <h1>Allocate</h1>
      <ViewTabs :views="allocateViews" :view="view" label="Views of the slots" @show="show" />
      <span class="push" />
      <span class="dim">{{
        summary.runs.length === 0
          ? 'no camera is noted yet'
          : allocation.waiting.length === 0
            ? 'no decided camera waits'
            : `${allocation.waiting.length} decided, without a slot`
      }}</span>
    </div>
    <RackView v-if="view === 'rack'" class="view" />
    <StreamsView v-else-if="view === 'streams'" class="view" />
    <OrderView v-else-if="view === 'order'" class="view" />
    <ReadyView v-else-if="view === 'ready'" class="view" />
    <DeviceView v-else class="view" />
  </div>
</template>

<style scoped>
.allocate {
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
.view {
  flex: 1;
  min-height: 0;
  overflow: hidden auto;
  scrollbar-width: thin;
}
@media (max-width: 1000px) {
  .allocate {
    height: auto;
  }
}
</style>
