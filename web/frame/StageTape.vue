<script setup lang="ts">
import type { StageName } from './stageName';
import { stages, type StageProgress } from './stages';

/** The stages as lengths of a tape measure; the filled part is what is done. */
const { now, progress } = defineProps<{
  now: StageName;
  progress: Record<StageName, StageProgress> | null;
}>();
const emit = defineEmits<{ go: [stage: StageName] }>();
const ticks = Array.from({ length: 10 }, (_, k) => k);
</script>

<template>
  <nav class="tape" aria-label="Stages of the work">
    <button
      v-for="stage in stages"
      :key="stage.name"
      type="button"
      class="plain stage-tab"
      :class="{ now: stage.name === now }"
      :aria-current="stage.name === now ? 'page' : undefined"
      @click="emit('go', stage.name)"
    >
      <span class="label">{{ stage.label }}</span>
      <span class="left">{{ progress?.[stage.name].left ?? '…' }}</span>
      <svg class="ruler" viewBox="0 0 100 16" preserveAspectRatio="none" aria-hidden="true">
        <rect width="100" height="16" fill="var(--copper-3)" />
        <rect :width="100 * (progress?.[stage.name].share ?? 0)" height="16" fill="var(--copper-2)" />
        <line
          v-for="k in ticks"
          :key="k"
          :x1="k * 10"
          :x2="k * 10"
          y1="16"
          :y2="k === 0 ? 0 : k === 5 ? 8 : 11"
          stroke="var(--copper)"
          :stroke-width="k === 0 ? 1.4 : 0.8"
          vector-effect="non-scaling-stroke"
        />
      </svg>
      <svg v-if="stage.name === now" class="pointer" width="12" height="8" aria-hidden="true">
        <path d="M0 0 l6 8 l6 -8z" fill="var(--copper)" />
      </svg>
    </button>
  </nav>
</template>

<style scoped>
.tape {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 148px);
  height: 64px;
}
.stage-tab {
  position: relative;
  display: grid;
  grid-template-rows: 24px 1fr 16px;
  align-items: end;
  min-width: 0;
}
.stage-tab:hover {
  background: var(--copper-3);
}
.stage-tab.now {
  background: var(--copper-3);
}
.label {
  white-space: nowrap;
  padding: 0 12px;
  font-size: 14px;
  font-weight: 500;
}
.now .label {
  font-weight: 650;
}
.left {
  padding: 0 12px 5px;
  font-size: 11px;
  color: var(--ink-2);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.ruler {
  display: block;
  width: 100%;
  height: 16px;
}
.pointer {
  position: absolute;
  left: 9px;
  bottom: 8px;
}
@media (max-width: 700px) {
  .tape {
    grid-auto-columns: minmax(0, 1fr);
    height: 52px;
    overflow: hidden;
  }
  .stage-tab {
    grid-template-rows: 1fr 12px;
  }
  .label {
    padding: 0 2px 4px 5px;
    font-size: 11px;
    white-space: nowrap;
  }
  .left {
    display: none;
  }
  .ruler {
    height: 12px;
  }
}
</style>
