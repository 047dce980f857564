<script setup lang="ts">
import VirtualScroller from 'primevue/virtualscroller';
import { computed, ref } from 'vue';
import { siteGaps, type Gap } from '#core/survey/gaps';
import { useKeys } from '../../keys/keys';
import NextStep from '../../parts/NextStep.vue';
import { useOpenEvaluation, useOpenSite } from '../../stores/openSite';

/** What is missing before a run can be tested, and before it can be decided. A line leads to its field. */
const emit = defineEmits<{ close: [gap: Gap] }>();
const openSite = useOpenSite();
const summary = useOpenEvaluation();
const before = ref<Gap['before']>('test');

const gaps = computed(() => siteGaps(openSite.value));
const shown = computed(() => gaps.value.filter((gap) => gap.before === before.value));
const count = (which: Gap['before']) => gaps.value.filter((gap) => gap.before === which).length;
const runs = computed(() => summary.value.runs);
const words = computed(() => {
  const cannot = (key: 'beforeTest' | 'beforeDecide') =>
    runs.value.filter(({ toNote }) => toNote[key] > 0).length;
  if (runs.value.length === 0) return '';
  return before.value === 'test'
    ? cannot('beforeTest') === 0
      ? 'Every run is ready to test.'
      : `${cannot('beforeTest')} of ${runs.value.length} runs cannot be tested properly yet.`
    : cannot('beforeDecide') === 0
      ? 'Everything a decision rests on is noted.'
      : `${cannot('beforeDecide')} of ${runs.value.length} cameras lack something that a decision rests on.`;
});

type Line = { key: string; place: string; gap: null } | { key: string; place: null; gap: Gap; who: string };
const lines = computed(() => {
  const list: Line[] = [];
  let placeId = '';
  let cameraId: string | null = '';
  for (const gap of shown.value) {
    if (gap.placeId !== placeId)
      list.push({
        key: `place ${gap.placeId}`,
        place: openSite.value.place[gap.placeId]?.name ?? '',
        gap: null,
      });
    const camera = gap.cameraId ? openSite.value.camera[gap.cameraId] : undefined;
    const isNew = gap.cameraId !== cameraId || gap.placeId !== placeId;
    list.push({
      key: gap.id,
      place: null,
      gap,
      who: camera && isNew ? `${camera.number} ${camera.name}` : '',
    });
    [placeId, cameraId] = [gap.placeId, gap.cameraId];
  }
  return list;
});

useKeys([
  {
    keys: ['x'],
    label: 'before the test, before the decision',
    group: 'Missing data',
    run: () => {
      before.value = before.value === 'test' ? 'decide' : 'test';
    },
  },
]);
</script>

<template>
  <div class="gaps">
    <div class="row">
      <span class="which" role="group" aria-label="What it holds up">
        <button type="button" class="plain" :aria-pressed="before === 'test'" @click="before = 'test'">
          Before the test {{ count('test') }}
        </button>
        <button type="button" class="plain" :aria-pressed="before === 'decide'" @click="before = 'decide'">
          Before the decision {{ count('decide') }}
        </button>
      </span>
      <kbd>x</kbd>
      <span role="status">{{ words }}</span>
    </div>
    <div v-if="runs.length === 0" class="empty">
      <strong>Nothing is noted yet.</strong>What is missing shows here once there are runs. Add the first one
      on the board, or import a list.<br />
      <NextStep stage="survey" :keys="['b', 'n']" label="Board" /><NextStep
        stage="survey"
        view="lists"
        :keys="['l']"
        label="Lists"
      />
    </div>
    <div v-else-if="lines.length === 0" class="empty">
      <strong>Nothing is left here.</strong
      >{{
        before === 'test'
          ? 'Go on to Test, or look at what is missing before the decision.'
          : 'Everything that a decision rests on is noted.'
      }}
    </div>
    <VirtualScroller v-else class="list" :items="lines" :item-size="27" :num-tolerated-items="20">
      <template #item="{ item }: { item: Line }">
        <h2 v-if="item.gap === null" class="minor">{{ item.place }}</h2>
        <button
          v-else
          type="button"
          class="plain line"
          :data-gap="item.gap.id"
          @click="emit('close', item.gap)"
        >
          <span class="who">{{ item.who }}</span><span>{{ item.gap.message }}</span>
        </button>
      </template>
    </VirtualScroller>
  </div>
</template>

<style scoped>
.gaps {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
}
.row {
  flex-wrap: wrap;
}
.which {
  display: flex;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  overflow: hidden;
}
.which button {
  padding: 4px 11px;
}
.which button[aria-pressed='true'] {
  background: var(--copper-3);
  font-weight: 600;
  box-shadow: inset 0 -2px var(--copper);
}
.list {
  flex: 1;
  min-height: 0;
}
.minor {
  height: 27px;
  padding-top: 9px;
  color: var(--ink-2);
  font-weight: 400;
  font-size: 11px;
}
.line {
  display: grid;
  grid-template-columns: 190px 1fr;
  gap: 12px;
  width: 100%;
  height: 27px;
  padding: 4px 6px;
  border-top: 1px solid var(--rule);
  text-align: left;
}
.line:hover {
  background: var(--copper-3);
}
.line:focus-visible {
  outline-offset: -2px;
}
.line > span {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.who {
  font-weight: 500;
}
@media (max-width: 700px) {
  .line {
    grid-template-columns: 110px 1fr;
  }
  .which button {
    padding: 10px;
  }
}
</style>
