<script setup lang="ts">
import type { SearchProgress } from '#core/solver';
import { formatQuantity } from '#core/shared/units';

/** How far a search is, and the way to end it. */
defineProps<{ label: string; progress: SearchProgress | null }>();
const emit = defineEmits<{ stop: [] }>();
</script>

<template>
  <p class="search" role="status">
    <span class="moving" aria-hidden="true" />{{ label }}
    <template v-if="progress"
      ><span v-if="progress.best !== null" class="mono"
        >best {{ formatQuantity(progress.best, 'money') }}</span
      ><span v-if="progress.gapPercent !== null" class="mono"
        >within {{ formatQuantity(progress.gapPercent, '%', 1) }}</span
      ><span class="mono">{{ progress.seconds.toFixed(1) }} s</span></template
    >
    <button type="button" class="btn small" @click="emit('stop')">
      Stop, keep the best so far <kbd>Esc</kbd>
    </button>
  </p>
</template>

<style scoped>
.search {
  display: flex;
  gap: 12px;
  align-items: center;
  font-size: 12px;
  flex-wrap: wrap;
}
.moving {
  width: 26px;
  height: 6px;
  background: repeating-linear-gradient(90deg, var(--copper) 0 6px, var(--copper-2) 6px 12px);
  background-size: 12px 6px;
  animation: run 0.7s linear infinite;
}
@keyframes run {
  to {
    background-position: 12px 0;
  }
}
@media (prefers-reduced-motion: reduce) {
  .moving {
    animation: none;
  }
}
</style>
