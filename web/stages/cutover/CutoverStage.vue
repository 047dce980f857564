<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core';
import { proofInWords } from '#core/cutover/words';
import { computed, defineAsyncComponent, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { counted } from '#core/shared/labels';
import { useKeys } from '../../keys/keys';
import NextStep from '../../parts/NextStep.vue';
import ViewTabs from '../../parts/ViewTabs.vue';
import { useEvaluation } from '../../stores/evaluation';
import { useNights } from '../../stores/nights';
import { useOpenEvaluation } from '../../stores/openSite';
import { usePlanner } from '../../stores/planner';
import NightsView from './NightsView.vue';
import { cutoverViews, isCutoverView, type CutoverView } from './views';

const TasksView = defineAsyncComponent(() => import('./TasksView.vue'));
const MorningsView = defineAsyncComponent(() => import('./MorningsView.vue'));
const RulesView = defineAsyncComponent(() => import('./RulesView.vue'));
const PapersView = defineAsyncComponent(() => import('./PapersView.vue'));
const TonightView = defineAsyncComponent(() => import('./TonightView.vue'));

/** So often a night that is worked is looked at again. */
const lookMs = 20_000;

/** The nights of the change: what is done when, by whom, what is dark meanwhile, and how it goes. */
const route = useRoute();
const router = useRouter();
const summary = useOpenEvaluation();
const nights = useNights();
const evaluation = useEvaluation();
const planner = usePlanner();
const view = computed<CutoverView>(() =>
  isCutoverView(route.query['view']) ? route.query['view'] : 'nights',
);
const show = (next: CutoverView) =>
  void router.push({ ...route, query: next === 'nights' ? {} : { view: next } });

// The nights are worked out for as long as somebody looks at them; the clock goes on by itself.
watch(() => evaluation.result, nights.look, { immediate: true });
useIntervalFn(nights.look, lookMs);

const isPlanning = computed(() => planner.busy === 'nights');
const agreed = computed(() => nights.now?.nights.length ?? 0);
const isNothingDecided = computed(
  () => nights.now !== null && nights.now.totals.all === 0 && nights.now.nights.length === 0,
);
const totals = computed(() => {
  const { totals: all } = nights.now ?? {};
  if (!all || all.nights === 0) return '';
  return [
    counted(all.nights, 'night'),
    `${(all.darkMinutes / 60).toFixed(1)} dark view-hours`,
    counted(all.restarts, 'restart'),
    ...(all.done > 0 ? [`${all.done} of ${all.all} tasks done`] : []),
  ].join(', ');
});
const proofWords = computed(() => (nights.proven ? proofInWords(nights.proven) : ''));
const soFar = computed(() => {
  const { best } = nights;
  return best
    ? `${counted(best.nights.length, 'night')} so far, at least ${best.least}`
    : 'Nights are sought';
});

useKeys([
  ...cutoverViews.map(({ id, label, key }) => ({
    keys: [key],
    label: label.toLowerCase(),
    group: 'Cut over',
    run: () => show(id),
  })),
  { keys: ['f'], label: 'plan the nights', group: 'Cut over', run: () => void nights.plan() },
]);
</script>

<template>
  <div class="cutover">
    <div class="row head no-print">
      <h1>Cut over</h1>
      <ViewTabs :views="cutoverViews" :view="view" label="Views of the nights" @show="show" />
    </div>
    <div v-if="view !== 'tonight'" class="row sums no-print" role="status">
      <template v-if="isPlanning">
        <span class="seeking" aria-busy="true">{{ soFar }}</span>
        <span class="push" />
        <button type="button" class="btn" @click="planner.stop()">Enough, keep the best so far</button>
      </template>
      <template v-else>
        <span class="dim">{{
          totals || (nights.now ? 'no night is agreed yet' : 'working out the nights')
        }}</span>
        <b v-if="proofWords" data-proof>{{ proofWords }}</b>
        <span class="push" />
        <button
          v-if="!isNothingDecided"
          type="button"
          class="btn go"
          :disabled="nights.now === null"
          @click="nights.plan()"
        >
          {{ agreed > 0 ? 'Plan again' : 'Plan the nights' }} <kbd>f</kbd>
        </button>
      </template>
    </div>
    <div v-if="nights.failure" class="stop" role="alert">
      <p>{{ nights.failure.message }}</p>
      <p v-for="task in nights.failure.tasks" :key="task.id">{{ task.title }} {{ task.why }}.</p>
      <p v-if="nights.failure.tasks.length > 0" class="dim">
        What stood before stands on. Change the task, the rule, the shift or the crew, and plan again.
      </p>
      <NextStep stage="cutover" view="rules" :keys="['r']" label="Crew and rules" />
      <NextStep stage="cutover" view="tasks" :keys="['s']" label="Tasks" />
    </div>
    <p v-if="planner.trouble && !isPlanning" class="stop" role="alert">{{ planner.trouble }}</p>
    <div v-if="isNothingDecided && view !== 'rules'" class="empty">
      <strong>Nothing is decided that is done in a night.</strong>Decide what becomes of the cameras, and give
      them their slots; then the nights can be planned.<br />
      <NextStep stage="decide" :keys="['3']" label="Decide" />
      <NextStep v-if="summary.left.toPlace > 0" stage="allocate" :keys="['4']" label="Allocate" />
    </div>
    <template v-else-if="nights.now">
      <NightsView v-if="view === 'nights'" class="view" :now="nights.now" @show="show" />
      <TasksView v-else-if="view === 'tasks'" class="view" :now="nights.now" />
      <MorningsView v-else-if="view === 'mornings'" class="view" :now="nights.now" />
      <RulesView v-else-if="view === 'rules'" class="view" />
      <PapersView v-else-if="view === 'papers'" class="view" :now="nights.now" />
      <TonightView v-else class="view" :now="nights.now" />
    </template>
    <p v-else class="empty" aria-busy="true">The nights are worked out…</p>
  </div>
</template>

<style scoped>
.cutover {
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
}
.head {
  gap: 18px;
  flex-wrap: wrap;
  row-gap: 4px;
  padding-bottom: 4px;
}
.sums {
  min-height: 34px;
  align-items: center;
  padding-bottom: 4px;
}
.seeking {
  font-weight: 600;
}
.view {
  flex: 1;
  min-height: 0;
  overflow: hidden auto;
  scrollbar-width: thin;
}
@media (max-width: 1000px) {
  .cutover {
    height: auto;
  }
}
</style>
