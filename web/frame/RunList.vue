<script setup lang="ts">
import { useElementSize, useMediaQuery, useScroll } from '@vueuse/core';
import { computed, nextTick, useTemplateRef, watch } from 'vue';
import type { RunSummary } from '#core/evaluate';
import { verdictFigure } from '#core/test/findings';
import { counted, listed } from '#core/shared/labels';
import { inSight } from '../line/inSight';
import type { PlaceGroup } from '../stores/selection';
import MarginBar from '../parts/MarginBar.vue';

const { groups, runId, filter } = defineProps<{
  groups: PlaceGroup[];
  runId: string | null;
  filter: string;
  found: { shown: number; all: number };
  /** Who else has a run in hand. */
  atRun: ReadonlyMap<string, readonly string[]>;
}>();
const emit = defineEmits<{ select: [runId: string]; filter: [text: string] }>();

const list = useTemplateRef('list');
const find = useTemplateRef('find');
/** Enter goes to the first run that was found. */
function toFirst(field: HTMLInputElement): void {
  field.blur();
  const first = groups[0]?.runs[0];
  if (filter.trim() && first && !groups.some(({ runs }) => runs.some(({ run }) => run.id === runId)))
    emit('select', first.run.id);
}
defineExpose({ focusFind: () => find.value?.focus() });

const headingPx = 20;
const thumb = useMediaQuery('(max-width: 700px)');
const rowPx = computed(() => (thumb.value ? 44 : 24));

type Item =
  | { y: number; key: string; heading: string; run: null }
  | { y: number; key: string; heading: null; run: RunSummary };
/** Headings and runs one under the other. Only those in sight are drawn, so a thousand scroll like ten. */
const column = computed(() => {
  const items: Item[] = [];
  let y = 0;
  for (const { placeId, name, runs } of groups) {
    items.push({ y, key: `place ${placeId}`, heading: name, run: null });
    y += headingPx;
    for (const run of runs) {
      items.push({ y, key: run.run.id, heading: null, run });
      y += rowPx.value;
    }
  }
  return { items, height: y };
});
const { height } = useElementSize(list);
const { y: scrolledTo } = useScroll(list);
const shown = computed(() => inSight(column.value.items, scrolledTo.value, height.value));

watch(
  [() => runId, () => height.value > 0],
  async ([id]) => {
    await nextTick();
    const item = column.value.items.find(({ key }) => key === id);
    const box = list.value;
    if (!item || !box) return;
    if (item.y < box.scrollTop) box.scrollTop = item.y;
    else if (item.y + rowPx.value > box.scrollTop + box.clientHeight)
      box.scrollTop = item.y + rowPx.value - box.clientHeight;
  },
  { immediate: true },
);
</script>

<template>
  <aside class="runs" aria-label="Runs">
    <div class="find">
      <input
        ref="find"
        type="search"
        :value="filter"
        placeholder="Find a run, place or cable"
        aria-label="Find a run, place or cable"
        @input="emit('filter', ($event.target as HTMLInputElement).value)"
        @keydown.enter="toFirst($event.target as HTMLInputElement)"
      />
      <kbd>/</kbd>
    </div>
    <p class="found" role="status">
      <template v-if="filter.trim()"
        >{{ found.shown }} of {{ counted(found.all, 'run') }} shown, in every stage.
        <button type="button" class="plain all" @click="emit('filter', '')">Show all</button></template
      >
    </p>
    <div ref="list" class="list">
      <p v-if="groups.length === 0" class="none">
        {{ filter ? 'Nothing matches.' : 'No runs yet.' }}
      </p>
      <div class="column" :style="{ height: `${column.height}px` }">
        <template v-for="{ y, key, heading, run: item } in shown" :key="key">
          <h3 v-if="item === null" :style="{ top: `${y}px` }">{{ heading }}</h3>
          <button
            v-else
            type="button"
            class="plain run"
            :class="{ here: key === runId }"
            :data-run="key"
            :style="{ top: `${y}px` }"
            :aria-current="key === runId ? 'true' : undefined"
            :title="`${item.findings.binding.label}, ${verdictFigure(item.findings.binding)}: ${item.findings.binding.message}`"
            @click="emit('select', key)"
          >
            <span class="mono number">{{ item.camera.number }}</span>
            <span class="title"
              >{{ item.camera.name
              }}<span v-if="atRun.has(key)" class="with">{{ ` ${listed(atRun.get(key)!)}` }}</span></span
            >
            <MarginBar :utilisation="item.findings.binding.utilisation" :state="item.findings.state" />
          </button>
        </template>
      </div>
    </div>
  </aside>
</template>

<style scoped>
.with {
  color: var(--copper);
  font-size: 11px;
}
.runs {
  display: flex;
  flex-direction: column;
  min-height: 0;
  border-right: 1px solid var(--rule-strong);
  background: var(--sheet);
}
.find {
  position: relative;
  margin: 8px 12px 4px;
}
.find input {
  width: 100%;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  padding: 4px 26px 4px 8px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
}
.find input::placeholder {
  color: var(--ink-3);
}
.find kbd {
  position: absolute;
  right: 8px;
  top: 6px;
}
.found {
  padding: 0 16px;
  font-size: 11px;
  color: var(--ink-2);
}
.all {
  text-decoration: underline;
  text-underline-offset: 2px;
}
.list {
  flex: 1;
  overflow: hidden auto;
  padding-bottom: 6px;
  scrollbar-width: thin;
}
.column {
  position: relative;
}
.column > * {
  position: absolute;
  left: 0;
}
h3 {
  padding: 4px 16px 1px;
  font-size: 11px;
  font-weight: 400;
  color: var(--ink-2);
  font-variation-settings: 'wdth' 105;
}
.run {
  display: grid;
  grid-template-columns: 26px 1fr 58px;
  gap: 6px;
  align-items: center;
  width: 100%;
  height: 24px;
  padding: 0 12px 0 16px;
}
.run:hover {
  background: var(--paper);
}
.run.here {
  background: var(--copper-3);
  box-shadow: inset 3px 0 var(--copper);
}
.run:focus-visible {
  outline-offset: -2px;
}
.number {
  font-weight: 500;
  font-size: 12px;
  color: var(--ink-2);
}
.title {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.none {
  padding: 12px 16px;
  color: var(--ink-2);
}
@media (max-width: 700px) {
  .run {
    height: 44px;
  }
  .list {
    flex: none;
    height: 60vh;
  }
}
</style>
