<script setup lang="ts">
import { computed } from 'vue';
import type { CheckState } from '#core/signoff/acceptance';
import type { FigureScale } from './dumbbells';

/** One thing’s figure: a band where it was predicted nine times in ten, a stroke at its middle, a lozenge where it was read, a bracket at what is wanted. */
const { state, scale, width } = defineProps<{ state: CheckState; scale: FigureScale; width: number }>();
const x = (value: number): number => ((value - scale.from) / (scale.to - scale.from || 1)) * width;
const read = computed(() => (state.reading?.found.kind === 'figure' ? state.reading.found.value : null));
const limit = computed(() => (state.limit.kind === 'figure' ? state.limit : null));
const middle = 12;
</script>

<template>
  <g>
    <rect
      v-if="state.predicted"
      class="band"
      :x="x(state.predicted.low)"
      :y="middle - 6"
      :width="Math.max(1, x(state.predicted.high) - x(state.predicted.low))"
      height="12"
    />
    <line
      v-if="state.predicted"
      class="middle"
      :x1="x(state.predicted.value)"
      :x2="x(state.predicted.value)"
      :y1="middle - 8"
      :y2="middle + 8"
    />
    <path
      v-if="limit?.least != null"
      class="limit"
      :d="`M${x(limit.least) + 4} ${middle - 9}h-4v18h4`"
      fill="none"
    />
    <path
      v-if="limit?.most != null"
      class="limit"
      :d="`M${x(limit.most) - 4} ${middle - 9}h4v18h-4`"
      fill="none"
    />
    <path
      v-if="read !== null"
      :class="['read', { wrong: state.holds === false }]"
      :d="`M${x(read)} ${middle - 6}l6 6l-6 6l-6 -6z`"
    />
  </g>
</template>

<style scoped>
.band {
  fill: var(--verdigris-2);
}
.middle {
  stroke: var(--verdigris);
  stroke-width: 2;
}
.limit {
  stroke: var(--ink);
  stroke-width: 1.2;
}
.read {
  fill: var(--ink);
}
.read.wrong {
  fill: var(--madder);
}
</style>
