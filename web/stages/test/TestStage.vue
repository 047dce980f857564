<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { eventWords, faultsOf } from '#core/test/findings';
import { markState, noteMending, type Mending, type RunState } from '#core/model/site';
import { mendedRun } from '#core/test/readings';
import { choices } from '#core/model/labels';
import { useKeys } from '../../keys/keys';
import RunLine from '../../line/RunLine.vue';
import NextStep from '../../parts/NextStep.vue';
import PickField from '../../parts/PickField.vue';
import ViewTabs from '../../parts/ViewTabs.vue';
import { useMeasures } from '../../stores/measures';
import { useSelection } from '../../stores/selection';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import { useUndoOffer } from '../../stores/undoOffer';
import { useWhyPanel } from '../../stores/whyPanel';
import BenchView from './BenchView.vue';
import { useRunDiagnostics } from './useRunDiagnostics';
import { isTestView, testViews, type TestView } from './views';

const TraceBench = defineAsyncComponent(() => import('./TraceBench.vue'));
const VoltsView = defineAsyncComponent(() => import('./VoltsView.vue'));
const PictureView = defineAsyncComponent(() => import('./PictureView.vue'));
const CauseView = defineAsyncComponent(() => import('./CauseView.vue'));
const RoundView = defineAsyncComponent(() => import('./RoundView.vue'));
const LogView = defineAsyncComponent(() => import('./LogView.vue'));

const route = useRoute();
const router = useRouter();
const store = useSite();
const selection = useSelection();
const why = useWhyPanel();
const own = useMeasures();
const insight = useRunDiagnostics();

const evaluation = computed(() => selection.current);
const view = computed<TestView>(() => (isTestView(route.query['view']) ? route.query['view'] : 'bench'));
const show = (next: TestView) =>
  void router.push({ ...route, query: next === 'bench' ? {} : { view: next } });

const stopped = computed(() =>
  evaluation.value?.findings.state === 'stop' ? evaluation.value.findings.binding : undefined,
);
const headEnd = computed(() => {
  const patch = evaluation.value?.run.patchedTo;
  return patch ? `input ${patch.input}` : 'head end';
});
/** A cause less likely than this is not marked on the line. */
const worthAMark = 0.1;
/** Where the likely causes show, and how far off they may be. */
const causeMarks = computed(() =>
  (insight.value?.diagnosis.ranked ?? []).flatMap(({ label, probability, where }) => {
    if (!where || probability < worthAMark) return [];
    const { atM, withinM: spreadM } = where;
    return [{ atM, spreadM, label: `${label}, ${own.place(atM, spreadM)}`, grave: true }];
  }),
);
const eventMarks = computed(() =>
  faultsOf(evaluation.value?.findings.events ?? []).map((event) => ({
    atM: event.atM,
    label: `${own.quantity(event.atM, 'm')}, ${eventWords(event)}`,
    grave: true,
  })),
);
const marks = computed(() => (view.value === 'cause' ? causeMarks.value : eventMarks.value));
/** How far the metre axis goes where a trace is shown under the line. */
const axisM = ref(0);

const undoOffer = useUndoOffer();
const openSite = useOpenSite();
const isBare = computed(() => Object.keys(openSite.value.run).length === 0);
const mended = computed(() => mendedRun(openSite.value, evaluation.value?.run.id ?? ''));
function noteWhatItWas(of: Pick<Mending, 'found' | 'did' | 'changedLine'>): void {
  if (!evaluation.value) return;
  const { run, camera } = evaluation.value;
  store.change(`What run ${camera.number} had`, [
    noteMending(run.id, crypto.randomUUID().slice(0, 8), {
      ...of,
      at: new Date().toISOString(),
      by: store.signedBy('Surveyor'),
    }),
  ]);
}

function setState(state: RunState): void {
  const run = evaluation.value && store.site?.run[evaluation.value.run.id];
  if (!run || run.state === state) return;
  const label = `Run ${evaluation.value!.camera.number} is ${state}`;
  const problems = store.change(label, [markState(run, state, new Date().toISOString())]);
  if (problems.length === 0) undoOffer.offer(`${label}.`);
}
useKeys([
  ...testViews.map(({ id, label, key }) => ({
    keys: [key],
    label: label.toLowerCase(),
    group: 'Test',
    run: () => show(id),
  })),
  {
    keys: ['w'],
    label: 'why the run stands so',
    group: 'Test',
    run: () => {
      if (evaluation.value)
        why.ask({
          kind: 'verdict',
          runId: evaluation.value.run.id,
          id: evaluation.value.findings.binding.id,
        });
    },
  },
  { keys: ['l'], label: 'mark live', group: 'Test', run: () => setState('live') },
  { keys: ['i'], label: 'mark isolated', group: 'Test', run: () => setState('isolated') },
  { keys: ['d'], label: 'mark disconnected', group: 'Test', run: () => setState('disconnected') },
]);
</script>

<template>
  <div v-if="!evaluation" class="no-run">
    <div v-if="isBare" class="empty">
      <h1 class="none-picked"><strong>Nothing to test yet.</strong></h1>
      Note the runs first; each then has its tests here, in the order in which they are safe.<br />
      <NextStep stage="survey" :keys="['1', 'n']" label="Survey, Board" />
    </div>
    <div v-else class="empty">
      <h1 class="none-picked"><strong>Pick a run to test.</strong></h1>
      Choose it on the left, or press <kbd>j</kbd> for the first one. Hatched bars are runs that nobody has
      tested yet.
    </div>
    <RoundView v-if="!isBare" />
  </div>
  <div v-else class="test">
    <div class="row head">
      <h1>{{ evaluation.camera.number }} {{ evaluation.camera.name }}</h1>
      <ViewTabs :views="testViews" :view="view" label="Views of the tests" @show="show" />
      <span class="push" />
      <label class="state"
        >The run is
        <PickField
          :value="evaluation.run.state"
          :choices="choices.runState"
          label="State of the run"
          @take="setState"
      /></label>
    </div>
    <p v-if="stopped" class="stop" role="alert">{{ stopped.message }}</p>
    <RunLine
      :evaluation="evaluation"
      :head-end="headEnd"
      :marks="marks"
      :axis-m="view === 'trace' ? axisM : 0"
    />
    <BenchView
      v-if="view === 'bench'"
      :evaluation="evaluation"
      :diagnosis="insight?.diagnosis ?? null"
      @trace="show('trace')"
    />
    <TraceBench
      v-else-if="view === 'trace'"
      :key="evaluation.run.id"
      :evaluation="evaluation"
      @axis="(metres) => (axisM = metres)"
    />
    <VoltsView v-else-if="view === 'volts'" :evaluation="evaluation" />
    <PictureView v-else-if="view === 'picture'" :evaluation="evaluation" />
    <CauseView
      v-else-if="view === 'cause' && insight"
      :insight="insight"
      :mended="mended"
      @mended="noteWhatItWas"
    />
    <LogView v-else-if="view === 'log'" :evaluation="evaluation" />
  </div>
</template>

<style scoped>
.none-picked {
  font-size: inherit;
}
.no-run {
  height: 100%;
  overflow: auto;
  display: grid;
  gap: 14px;
  align-content: start;
}
.test {
  height: calc(100% + 14px);
  padding-bottom: 14px;
  overflow: hidden auto;
  display: flex;
  flex-direction: column;
  gap: 6px;
  scrollbar-width: thin;
}
.test > * {
  flex: none;
}
.head {
  align-items: center;
  flex-wrap: wrap;
  row-gap: 4px;
}
.state {
  display: flex;
  gap: 8px;
  align-items: center;
  color: var(--ink-2);
  white-space: nowrap;
}
@media (max-width: 700px) {
  .test {
    height: auto;
    overflow: visible;
  }
  .push {
    display: none;
  }
  .state :deep(.p-select) {
    min-height: 40px;
    align-items: center;
  }
}
</style>
