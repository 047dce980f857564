<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import { computed, ref } from 'vue';
import { useKeys } from '../../keys/keys';
import LineBoard from '../../line/LineBoard.vue';
import type { BoardOrder } from '../../line/boardLayout';
import { useEvaluation } from '../../stores/evaluation';
import { useMeasures } from '../../stores/measures';
import { useSelection } from '../../stores/selection';
import { useSite } from '../../stores/site';
import AddHeadEndDialog from './AddHeadEndDialog.vue';
import AddRunDialog from './AddRunDialog.vue';
import RunSheet from './RunSheet.vue';

const store = useSite();
const evaluation = useEvaluation();
const selection = useSelection();
const own = useMeasures();
const order = useLocalStorage<BoardOrder>('neotrope-board-order', 'place');
const editing = ref(false);
const adding = ref(false);
const noting = ref(false);

const orders: { value: BoardOrder; says: string }[] = [{ value: 'place', says: 'place' }, { value: 'length', says: 'length' }, { value: 'trouble', says: 'trouble' }];
const summary = computed(() => {
  const { runs, cableM } = evaluation.result!;
  return runs.length === 0 ? '' : `${cableM >= 1000 && own.measures.length === 'm' ? `${(cableM / 1000).toFixed(1)} km` : own.quantity(cableM, 'm')} of cable in ${runs.length} run${runs.length === 1 ? '' : 's'}`;
});
const withoutRun = computed(() => {
  const withRun = new Set(Object.values(store.site!.run).map(({ cameraId }) => cameraId));
  return Object.values(store.site!.camera).filter(({ id }) => !withRun.has(id));
});

function edit(runId: string): void {
  void selection.select(runId);
  editing.value = true;
}
const sortByNext = () => {
  order.value = orders[(orders.findIndex(({ value }) => value === order.value) + 1) % orders.length]!.value;
};

useKeys([
  { keys: ['n'], says: 'add a run', group: 'Survey', run: () => { adding.value = true; } },
  { keys: ['b'], says: 'note a recorder or supply box', group: 'Survey', run: () => { noting.value = true; } },
  { keys: ['e', 'Enter'], says: 'edit the run in hand', group: 'Survey', run: () => { editing.value = selection.current !== null; } },
  { keys: ['o'], says: 'sort otherwise', group: 'Survey', run: sortByNext },
  { keys: ['Escape'], says: 'close the run’s sheet', group: 'Survey', run: () => { editing.value = false; } },
]);
</script>

<template>
  <div class="survey" :class="{ editing: editing && selection.current }">
    <div class="main">
      <div class="row head">
        <h1>Board</h1>
        <span class="dim">{{ summary }}</span>
        <span class="push" />
        <span class="dim tiny sort">Sort by
          <template v-for="({ value, says }, index) in orders" :key="value"><template v-if="index">, </template><button type="button" class="plain" :aria-pressed="order === value" @click="order = value">{{ says }}</button></template>
        </span>
        <button v-if="selection.current && !editing" type="button" class="btn" @click="editing = true">Edit {{ selection.current.camera.number }} <kbd>e</kbd></button>
        <button v-if="!editing || !selection.current" type="button" class="btn" @click="noting = true">Head end <kbd>b</kbd></button>
        <button type="button" class="btn go" @click="adding = true">Add a run <kbd>n</kbd></button>
      </div>
      <div v-if="evaluation.result!.runs.length === 0" class="empty"><strong>Nothing is noted yet.</strong>Start with the run you stand at: its camera, the cable and about how long it is. Press <kbd>n</kbd> or use “Add a run”. Recorders and supply boxes are noted with <kbd>b</kbd>.</div>
      <div v-else-if="selection.groups.length === 0" class="empty"><strong>Nothing matches the search.</strong>Clear it on the left to see all runs.</div>
      <LineBoard v-else class="board" :groups="selection.groups" :order="order" :run-id="selection.runId" @select="selection.select" @open="edit" />
      <p v-if="withoutRun.length > 0" class="caution">Without a run: {{ withoutRun.map(({ number, name }) => `${number} ${name}`).join(', ') }}</p>
    </div>
    <RunSheet v-if="editing && selection.current" :key="selection.current.run.id" class="sheet" :evaluation="selection.current" @close="editing = false" />
    <AddRunDialog v-model:visible="adding" @added="edit" />
    <AddHeadEndDialog v-model:visible="noting" />
  </div>
</template>

<style scoped>
.survey { display: grid; grid-template-columns: minmax(0, 1fr); gap: 16px; height: 100%; }
.survey.editing { grid-template-columns: minmax(0, 1fr) 400px; }
.main { display: flex; flex-direction: column; min-height: 0; }
.head { flex-wrap: wrap; row-gap: 6px; }
.board { flex: 1; min-height: 0; margin-top: 4px; }
.sort button { text-decoration: underline; text-underline-offset: 2px; }
.sort button[aria-pressed='true'] { text-decoration: none; font-weight: 650; color: var(--ink); }
.sheet { margin: -14px -18px -14px 0; }
@media (max-width: 1000px) {
  .survey.editing { grid-template-columns: 1fr; }
  .survey.editing .main { display: none; }
  .sheet { margin: 0; border: 0; }
}
@media (max-width: 700px) { .board { min-height: 520px; } .btn { padding: 9px 12px; } }
</style>
