<script setup lang="ts">
import { computed } from 'vue';
import { restsOn } from '#core/documents';
import { useOpenEvaluation, useOpenSite } from '../stores/openSite';

/** The first line of whatever is printed of what was chosen: how many readings and gaps stand behind it. Seen on paper only. */
const site = useOpenSite();
const evaluation = useOpenEvaluation();
const words = computed(() =>
  restsOn(
    site.value,
    evaluation.value.runs.flatMap(({ chosen, options }) =>
      options.flatMap((option) => (option.kind === chosen && option.state !== 'no' ? [option] : [])),
    ),
  ),
);
</script>

<template>
  <p class="rests">Rests on {{ words }}.</p>
</template>

<style scoped>
.rests {
  display: none;
}
@media print {
  .rests {
    display: block;
  }
}
</style>
