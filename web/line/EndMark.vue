<script setup lang="ts">
import { computed } from 'vue';
import type { RunSummary } from '#core/evaluate';

const { state } = defineProps<{ x: number; y: number; state: RunSummary['findings']['state'] }>();

/** Filled, half filled, crossed or dashed, so that it reads without its colour. */
const colour = computed(
  () =>
    ({
      holds: 'var(--verdigris)',
      close: 'var(--ochre)',
      fails: 'var(--madder)',
      stop: 'var(--madder)',
      untested: 'var(--ink-3)',
    })[state],
);
</script>

<template>
  <g :transform="`translate(${x} ${y})`">
    <circle
      r="5"
      fill="var(--sheet)"
      :stroke="colour"
      stroke-width="1.6"
      :stroke-dasharray="state === 'untested' ? '2 2' : undefined"
    />
    <circle v-if="state === 'holds'" r="5" :fill="colour" />
    <path v-else-if="state === 'close'" d="M-5 0 a5 5 0 0 0 10 0z" :fill="colour" />
    <path
      v-else-if="state === 'fails' || state === 'stop'"
      d="M-3.2 -3.2 L3.2 3.2 M3.2 -3.2 L-3.2 3.2"
      :stroke="colour"
      stroke-width="1.8"
    />
  </g>
</template>
