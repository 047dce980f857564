<script setup lang="ts">
import { computed } from 'vue';
import type { Spoken } from '#core/test/diagnosis';

/** What one reading says of a cause, and how loudly: in words, and as a mark as long as its weight. */
const { spoken } = defineProps<{ spoken: Spoken }>();
/** Longer than this no mark grows. */
const mostDecibans = 30;
const widthPx = computed(() => Math.max(2, (28 * Math.min(spoken.decibans, mostDecibans)) / mostDecibans));
</script>

<template>
  <span class="spoken" :title="`${Math.round(spoken.decibans)} decibans`"
    ><svg width="28" height="6" aria-hidden="true"><rect :width="widthPx" height="6" /></svg
    ><span
      >{{ spoken.message }}<span class="dim">, {{ spoken.strength }}</span></span
    ></span
  >
</template>

<style scoped>
.spoken {
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr);
}
svg {
  margin-top: 5px;
}
rect {
  fill: var(--ink-2);
}
</style>
