<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import { computed } from 'vue';
import { useKeys } from '../../keys/keys';
import type { BoardOrder } from '../../line/boardLayout';
import LineBoard from '../../line/LineBoard.vue';
import NextStep from '../../parts/NextStep.vue';
import { camerasWithoutRun } from '#core/survey/gaps';
import { useOpenEvaluation, useOpenSite } from '../../stores/openSite';
import { useSelection } from '../../stores/selection';

/** Every run to one scale, by place, length or trouble. */
const emit = defineEmits<{ open: [runId: string] }>();
const openSite = useOpenSite();
const summary = useOpenEvaluation();
const selection = useSelection();
const order = useLocalStorage<BoardOrder>('neotrope-board-order', 'place');

const orders: { value: BoardOrder; label: string }[] = [
  { value: 'place', label: 'place' },
  { value: 'length', label: 'length' },
  { value: 'trouble', label: 'trouble' },
];
const withoutRun = computed(() => camerasWithoutRun(openSite.value));
const sortByNext = () => {
  order.value = orders[(orders.findIndex(({ value }) => value === order.value) + 1) % orders.length]!.value;
};
useKeys([{ keys: ['o'], label: 'change sort order', group: 'Survey', run: sortByNext }]);
</script>

<template>
  <div class="board-view">
    <div v-if="summary.runs.length === 0" class="empty">
      <strong>Nothing is noted yet.</strong>Start with the run you stand at: its camera, the cable and about
      how long it is. Press <kbd>n</kbd> or use “Add a run”. Recorders and supply boxes are noted at the head
      end; whole tables come in under Lists.<br />
      <NextStep stage="survey" view="head-end" :keys="['h']" label="Head end" /><NextStep
        stage="survey"
        view="lists"
        :keys="['l']"
        label="Lists"
      />
    </div>
    <div v-else-if="selection.groups.length === 0" class="empty">
      <strong>Nothing matches the search.</strong>Clear it on the left to see all runs.
    </div>
    <template v-else>
      <p class="dim tiny sort">
        Sort by
        <template v-for="({ value, label }, index) in orders" :key="value"
          ><template v-if="index">, </template
          ><button type="button" class="plain" :aria-pressed="order === value" @click="order = value">
            {{ label }}
          </button></template
        >
      </p>
      <LineBoard
        class="board"
        :groups="selection.groups"
        :order="order"
        :run-id="selection.runId"
        @select="selection.select"
        @open="(runId) => emit('open', runId)"
      />
    </template>
    <p v-if="withoutRun.length > 0" class="caution">
      Without a run: {{ withoutRun.map(({ number, name }) => `${number} ${name}`).join(', ') }}
    </p>
  </div>
</template>

<style scoped>
.board-view {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.board {
  flex: 1;
  min-height: 0;
}
.sort {
  text-align: right;
}
.sort button {
  text-decoration: underline;
  text-underline-offset: 2px;
}
.sort button[aria-pressed='true'] {
  text-decoration: none;
  font-weight: 650;
  color: var(--ink);
}
@media (max-width: 700px) {
  .board {
    min-height: 520px;
  }
}
</style>
