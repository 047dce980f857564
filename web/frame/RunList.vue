<script setup lang="ts">
import { nextTick, useTemplateRef, watch } from 'vue';
import { verdictFigure } from '#core/findings';
import type { PlaceGroup } from '../stores/selection';
import MarginBar from '../parts/MarginBar.vue';

const { groups, runId, filter } = defineProps<{ groups: PlaceGroup[]; runId: string | null; filter: string }>();
const emit = defineEmits<{ select: [runId: string]; filter: [text: string] }>();

const list = useTemplateRef('list');
const find = useTemplateRef('find');
defineExpose({ focusFind: () => find.value?.focus() });

watch(() => runId, async (id) => {
  await nextTick();
  if (id) list.value?.querySelector(`[data-run="${id}"]`)?.scrollIntoView({ block: 'nearest' });
}, { immediate: true });
</script>

<template>
  <aside class="runs" aria-label="Runs">
    <div class="find">
      <input ref="find" type="search" :value="filter" placeholder="Find a run, place or cable" aria-label="Find a run, place or cable" @input="emit('filter', ($event.target as HTMLInputElement).value)" @keydown.enter="($event.target as HTMLInputElement).blur()" />
      <kbd>/</kbd>
    </div>
    <div ref="list" class="list">
      <p v-if="groups.length === 0" class="none">{{ filter ? 'Nothing matches. Clear the search to see all runs.' : 'No runs yet.' }}</p>
      <section v-for="group in groups" :key="group.placeId">
        <h3>{{ group.name }}</h3>
        <button
          v-for="{ run, camera, findings } in group.runs" :key="run.id" type="button" class="plain run" :class="{ here: run.id === runId }" :data-run="run.id"
          :aria-current="run.id === runId ? 'true' : undefined" :title="`${findings.binding.label}, ${verdictFigure(findings.binding)}: ${findings.binding.says}`" @click="emit('select', run.id)"
        >
          <span class="mono number">{{ camera.number }}</span>
          <span class="title">{{ camera.name }}</span>
          <MarginBar :share="findings.binding.share" :state="findings.state" />
        </button>
      </section>
    </div>
  </aside>
</template>

<style scoped>
.runs { display: flex; flex-direction: column; min-height: 0; border-right: 1px solid var(--rule-strong); background: var(--sheet); }
.find { position: relative; margin: 8px 12px 4px; }
.find input { width: 100%; border: 1px solid var(--rule-strong); border-radius: 4px; padding: 4px 26px 4px 8px; background: var(--paper); color: var(--ink); font: inherit; }
.find input::placeholder { color: var(--ink-3); }
.find kbd { position: absolute; right: 8px; top: 6px; }
.list { flex: 1; overflow: hidden auto; padding-bottom: 6px; scrollbar-width: thin; }
h3 { padding: 4px 16px 1px; font-size: 11px; font-weight: 400; color: var(--ink-2); font-variation-settings: 'wdth' 105; }
.run { display: grid; grid-template-columns: 26px 1fr 58px; gap: 6px; align-items: center; width: 100%; height: 21px; padding: 0 12px 0 16px; }
.run:hover { background: var(--paper); }
.run.here { background: var(--copper-3); box-shadow: inset 3px 0 var(--copper); }
.run:focus-visible { outline-offset: -2px; }
.number { font-weight: 500; font-size: 12px; color: var(--ink-2); }
.title { white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.none { padding: 12px 16px; color: var(--ink-2); }
@media (max-width: 700px) { .run { height: 40px; } .list { max-height: 60vh; } }
</style>
