<script setup lang="ts">
import { computed, defineAsyncComponent, nextTick, ref, useTemplateRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { fieldKey, type Gap } from '#core/survey/gaps';
import type { Camera } from '#core/model/site';
import { holdKeys, useKeys } from '../../keys/keys';
import { useFocusBack } from '../../keys/useFocusBack';
import { useOpenEvaluation, useOpenSite } from '../../stores/openSite';
import { useMeasures } from '../../stores/measures';
import { useSelection } from '../../stores/selection';
import BoardView from './BoardView.vue';
import { AddRunDialog, addRunFetched, RunSheet } from './forms';
import { isSurveyView, surveyViews, type SurveyView } from './views';

const DrawingView = defineAsyncComponent(() => import('./drawing/DrawingView.vue'));
const ListsView = defineAsyncComponent(() => import('./lists/ListsView.vue'));
const HeadEndView = defineAsyncComponent(() => import('./headend/HeadEndView.vue'));
const GapsView = defineAsyncComponent(() => import('./GapsView.vue'));
const WalkView = defineAsyncComponent(() => import('./walk/WalkView.vue'));

const route = useRoute();
const router = useRouter();
const openSite = useOpenSite();
const summary = useOpenEvaluation();
const selection = useSelection();
const own = useMeasures();
const editing = ref(false);
useFocusBack(() => editing.value);
const adding = ref(false);
/** The camera that is to get a run; none where both are to be added. */
const addingTo = ref<Camera | null>(null);
watch(adding, (is) => {
  if (!is) addingTo.value = null;
});
/** The field of the run's sheet that somebody asked for, by its label. */
const wantedField = ref('');

const view = computed<SurveyView>(() => (isSurveyView(route.query['view']) ? route.query['view'] : 'board'));
async function open(next: SurveyView): Promise<void> {
  editing.value = false;
  await router.push({ ...route, query: next === 'board' ? {} : { view: next } });
}
const show = (next: SurveyView) => void open(next);
const tabs = useTemplateRef('tabs');
/** The name of a view that is pressed becomes its heading: the focus stays on it. */
async function pressed(next: SurveyView): Promise<void> {
  await open(next);
  await nextTick();
  tabs.value?.querySelector('h1')?.focus();
}
const words = computed(() => {
  const { runs, cableM } = summary.value;
  return runs.length === 0
    ? ''
    : `${cableM >= 1000 && own.measures.length === 'm' ? `${(cableM / 1000).toFixed(1)} km` : own.quantity(cableM, 'm')} of cable in ${runs.length} run${runs.length === 1 ? '' : 's'}`;
});

/** Leads to the field that closes a gap. */
function closeGap({ target }: Gap): void {
  switch (target.kind) {
    case 'run':
      return edit(target.runId, fieldKey(target.field, target.segment));
    case 'head-end':
      return show('head-end');
    case 'camera-without-run':
      addingTo.value = openSite.value.camera[target.cameraId] ?? null;
  }
  adding.value = true;
}
function edit(runId: string, field = ''): void {
  void selection.select(runId);
  wantedField.value = field;
  editing.value = true;
}

useKeys([
  {
    keys: ['n'],
    label: 'add a run',
    group: 'Survey',
    run: () => {
      adding.value = view.value !== 'head-end';
      if (adding.value) holdKeys(addRunFetched());
    },
  },
  {
    keys: ['e', 'Enter'],
    label: 'edit the run in hand',
    group: 'Survey',
    run: () => {
      editing.value = selection.current !== null;
    },
  },
  ...surveyViews.map(({ id, label, key }) => ({
    keys: [key],
    label: label.toLowerCase(),
    group: 'Survey',
    run: () => show(id),
  })),
  {
    keys: ['Escape'],
    label: 'close the run’s sheet',
    group: 'Survey',
    run: () => {
      editing.value = false;
    },
  },
]);
</script>

<template>
  <div class="survey" :class="{ editing: editing && selection.current }">
    <div class="main">
      <div class="row head">
        <nav ref="tabs" class="views" aria-label="Views of the survey">
          <template v-for="one in surveyViews" :key="one.id">
            <h1 v-if="one.id === view" tabindex="-1">{{ one.label }}</h1>
            <button v-else type="button" class="plain" @click="pressed(one.id)">
              {{ one.label }} <kbd>{{ one.key }}</kbd>
            </button>
          </template>
        </nav>
        <span class="push" />
        <span class="dim summary">{{ words }}</span>
        <button
          v-if="selection.current && !editing && view !== 'walk'"
          type="button"
          class="btn"
          @click="editing = true"
        >
          Edit {{ selection.current.camera.number }} <kbd>e</kbd>
        </button>
        <button v-if="view === 'board'" type="button" class="btn go" @click="adding = true">
          Add a run <kbd>n</kbd>
        </button>
      </div>
      <BoardView v-if="view === 'board'" class="view" @open="edit" />
      <DrawingView v-else-if="view === 'drawing'" class="view" @open="edit" />
      <ListsView v-else-if="view === 'lists'" class="view" />
      <HeadEndView v-else-if="view === 'head-end'" class="view" />
      <GapsView v-else-if="view === 'gaps'" class="view" @close="closeGap" />
      <WalkView v-else class="view" @close="closeGap" />
    </div>
    <RunSheet
      v-if="editing && selection.current"
      :key="selection.current.run.id"
      class="sheet"
      :evaluation="selection.current"
      :wanted-field="wantedField"
      @close="editing = false"
    />
    <AddRunDialog v-model:visible="adding" :camera="addingTo" @added="edit" />
  </div>
</template>

<style scoped>
.survey {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 16px;
  height: 100%;
}
.survey.editing {
  grid-template-columns: minmax(0, 1fr) 400px;
}
.main {
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
}
.head {
  flex-wrap: wrap;
  row-gap: 6px;
}
.views {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
}
.views button {
  color: var(--ink-2);
  font-size: 14px;
  padding: 2px 0;
}
.views button:hover {
  color: var(--ink);
  text-decoration: underline;
  text-underline-offset: 3px;
}
.view {
  flex: 1;
  min-height: 0;
  margin-top: 8px;
}
.sheet {
  margin: -14px -18px -14px 0;
}
@media (max-width: 1000px) {
  .survey.editing {
    grid-template-columns: 1fr;
  }
  .survey.editing .main {
    display: none;
  }
  .sheet {
    margin: 0;
    border: 0;
  }
}
@media (max-width: 1250px) {
  .views kbd {
    display: none;
  }
}
@media (max-width: 700px) {
  .btn {
    padding: 9px 12px;
  }
  .views button {
    padding: 9px 2px;
  }
  .summary {
    display: none;
  }
}
</style>
