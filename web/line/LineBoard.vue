<script setup lang="ts">
import { useElementSize, useScroll } from '@vueuse/core';
import { computed, useTemplateRef } from 'vue';
import { verdictFigure } from '#core/test/findings';
import { useRovingFocus } from '../keys/useRovingFocus';
import { useMeasures } from '../stores/measures';
import type { PlaceGroup } from '../stores/selection';
import { boardLayout, type BoardOrder } from './boardLayout';
import EndMark from './EndMark.vue';
import { inSight } from './inSight';
import { axisTicks } from './lineGeometry';
import LineStrokes from './LineStrokes.vue';

const { groups, order, runId } = defineProps<{
  groups: PlaceGroup[];
  order: BoardOrder;
  runId: string | null;
}>();
const emit = defineEmits<{ select: [runId: string]; open: [runId: string] }>();

const box = useTemplateRef('box');
const { width, height } = useElementSize(box);
const { y: scrolledTo } = useScroll(box);
const own = useMeasures();
const layout = computed(() =>
  boardLayout(groups, order, width.value, height.value, (lengthM) => own.quantity(lengthM, 'm')),
);
const rows = computed(() => inSight(layout.value.rows, scrolledTo.value, height.value));
const headings = computed(() => inSight(layout.value.headings, scrolledTo.value, height.value));
/** Only one row is a stop of Tab: the one in hand, or the first. */
const tabbed = computed(() =>
  layout.value.rows.some(({ run }) => run.run.id === runId) ? runId : layout.value.rows[0]?.run.run.id,
);
useRovingFocus(box, () => runId);
const ticks = computed(() => {
  const { longestM, x0, pxPerM } = layout.value;
  return axisTicks(longestM, layout.value.narrow ? 3 : 6, x0, pxPerM, own.measures);
});
</script>

<template>
  <div ref="box" class="board">
    <svg
      v-if="width > 0"
      :width="width"
      :height="layout.height"
      role="list"
      aria-label="All runs to one scale"
    >
      <g v-for="tick in ticks" :key="tick.text">
        <line :x1="tick.x" :x2="tick.x" y1="16" :y2="layout.height - 6" stroke="var(--rule)" />
        <text :x="tick.x + 3" y="12">{{ tick.text }}</text>
      </g>
      <text v-for="heading in headings" :key="heading.text" class="name place" x="0" :y="heading.y">
        {{ heading.text }}
      </text>
      <g
        v-for="{ run, name, y, shape } in rows"
        :key="run.run.id"
        class="line"
        :class="{ here: run.run.id === runId }"
        role="listitem"
        data-roving
        :tabindex="run.run.id === tabbed ? 0 : -1"
        :aria-label="`${run.camera.number} ${run.camera.name}, ${shape.words}: ${verdictFigure(run.findings.binding)}, ${run.findings.binding.message}`"
        :data-run="run.run.id"
        @click="emit('select', run.run.id)"
        @dblclick="emit('open', run.run.id)"
      >
        <rect x="0" :y="y - 9" :width="width" height="18" />
        <text x="18" :y="y + 4" text-anchor="end">{{ run.camera.number }}</text>
        <text class="name" x="26" :y="y + 4">
          {{ name }}
          <title>{{ run.camera.name }}</title>
        </text>
        <LineStrokes :shape="shape" :y="y" />
        <EndMark :x="shape.endX + 7" :y="y" :state="run.findings.state" />
        <text :x="shape.endX + 17" :y="y + 3.5">
          {{ layout.narrow ? shape.metres : shape.words }}
          <tspan v-if="run.disputes.length > 0" class="dispute" dx="6">
            ≠
            <title>What is drawn, marked and measured contradict each other</title>
          </tspan>
        </text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.board {
  height: 100%;
  overflow: hidden auto;
}
.board svg {
  display: block;
}
.dispute {
  fill: var(--madder);
  font-weight: 600;
  font-size: 13px;
}
.place {
  font-size: 11px !important;
  fill: var(--ink-2) !important;
}
.line {
  cursor: pointer;
}
.line > rect {
  fill: transparent;
}
.line:hover > rect {
  fill: var(--copper-3);
  opacity: 0.6;
}
.line.here > rect {
  fill: var(--copper-3);
  opacity: 1;
}
</style>
