<script setup lang="ts">
import { computed, defineAsyncComponent, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { aboutOf } from '#core/model/site';
import { counted } from '#core/shared/labels';
import { formatQuantity } from '#core/shared/units';
import { useKeys } from '../../keys/keys';
import NextStep from '../../parts/NextStep.vue';
import ViewTabs from '../../parts/ViewTabs.vue';
import { useEvaluation } from '../../stores/evaluation';
import { useOpenEvaluation, useOpenSite } from '../../stores/openSite';
import { useMeasures } from '../../stores/measures';
import OptionsView from './OptionsView.vue';
import { decideViews, isDecideView, type DecideView } from './views';

const PlanView = defineAsyncComponent(() => import('./plan/PlanView.vue'));
const CurveView = defineAsyncComponent(() => import('./plan/CurveView.vue'));
const CompareView = defineAsyncComponent(() => import('./plan/CompareView.vue'));
const RiskView = defineAsyncComponent(() => import('./plan/RiskView.vue'));
const PricesView = defineAsyncComponent(() => import('./PricesView.vue'));
const RecordView = defineAsyncComponent(() => import('./RecordView.vue'));

const route = useRoute();
const router = useRouter();
const openSite = useOpenSite();
const summary = useOpenEvaluation();
const own = useMeasures();

const view = computed<DecideView>(() =>
  isDecideView(route.query['view']) ? route.query['view'] : 'options',
);
const show = (next: DecideView) =>
  void router.push({ ...route, query: next === 'options' ? {} : { view: next } });
const core = useEvaluation();
/** What was chosen and is doubted since other cameras were read. */
const doubts = ref<readonly string[]>([]);
watch(
  () => core.result,
  async () => {
    doubts.value = (await core.doubts()) ?? [];
  },
  { immediate: true },
);
const total = computed(() => summary.value.total);
const left = computed(() => summary.value.left);

useKeys(
  decideViews.map(({ id, label, key }) => ({
    keys: [key],
    label: label.toLowerCase(),
    group: 'Decide',
    run: () => show(id),
  })),
);
</script>

<template>
  <div v-if="summary.runs.length === 0" class="empty">
    <strong>Nothing to decide yet.</strong>Note the runs first; every camera then shows here with what it
    could become.<br />
    <NextStep stage="survey" :keys="['1', 'n']" label="Survey, Board" />
  </div>
  <div v-else class="decide">
    <div class="row head">
      <h1>Decide</h1>
      <ViewTabs :views="decideViews" :view="view" label="Views of the decision" @show="show" />
      <span class="push" />
      <span class="dim">{{ left.toDecide === 0 ? 'all decided' : `${left.toDecide} open` }}</span>
    </div>
    <div class="row sums">
      <span class="dim tiny">Chosen so far:</span>
      <span class="figure"
        ><span class="dim tiny">Total, {{ aboutOf(openSite).currency }}</span>
        <b class="mono" data-total>{{ formatQuantity(total.cost, 'money') }}</b></span
      >
      <span class="figure"
        ><span class="dim tiny">Labour</span> <b class="mono">{{ formatQuantity(total.hours, 'h') }}</b></span
      >
      <span class="figure"
        ><span class="dim tiny">Camera downtime</span>
        <b class="mono">{{ formatQuantity(total.darkHours, 'h') }}</b></span
      >
      <span class="figure"
        ><span class="dim tiny">Coax kept</span>
        <b class="mono">{{ own.quantity(summary.coaxKeptM, 'm') }}</b></span
      >
      <span v-for="placeId in total.noRoomAt" :key="placeId" class="caution"
        >No room in the rack at {{ openSite.place[placeId]?.name }} for what this needs.</span
      >
    </div>
    <details v-if="doubts.length > 0" class="caution doubts">
      <summary>
        Readings at the sign-off cast doubt on {{ counted(doubts.length, 'figure') }} of what was chosen
      </summary>
      <ul>
        <li v-for="doubt in doubts" :key="doubt">{{ doubt }}</li>
      </ul>
    </details>
    <OptionsView v-if="view === 'options'" class="view" />
    <PlanView v-else-if="view === 'plan'" class="view" />
    <CurveView v-else-if="view === 'curve'" class="view" />
    <CompareView v-else-if="view === 'compare'" class="view" />
    <RiskView v-else-if="view === 'risk'" class="view" />
    <PricesView v-else-if="view === 'prices'" class="view" />
    <RecordView v-else class="view" />
  </div>
</template>

<style scoped>
.decide {
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
}
.head {
  gap: 18px;
  flex-wrap: wrap;
  row-gap: 4px;
}
.sums {
  gap: 18px;
  padding: 3px 0 5px;
  flex-wrap: wrap;
}
.doubts ul {
  max-height: 30vh;
  overflow: auto;
}
.figure {
  display: inline-flex;
  gap: 4px;
  align-items: baseline;
}
.figure b {
  font-size: 15px;
  font-weight: 500;
}
.view {
  flex: 1;
  min-height: 0;
}
@media (max-width: 1000px) {
  .decide {
    height: auto;
  }
}
</style>
