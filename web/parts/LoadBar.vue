<script setup lang="ts">
import { formatFigure } from '#core/shared/units';
import type { Load } from '#core/shared/derivation';
import MarginBar from './MarginBar.vue';

/** How much of a limit is used, as a bar with its figure. */
const { load, digits = 1 } = defineProps<{ load: Load; digits?: number }>();
</script>

<template>
  <span class="load"
    ><MarginBar :utilisation="load.utilisation" :state="load.status" /><span class="mono"
      >{{ formatFigure(load.used, load.unit, digits) }}
      <span class="dim">of {{ formatFigure(load.most, load.unit, digits) }} {{ load.unit }}</span></span
    ></span
  >
</template>

<style scoped>
.load {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  white-space: nowrap;
  font-size: 12px;
}
</style>
