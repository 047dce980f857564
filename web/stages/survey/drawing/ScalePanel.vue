<script setup lang="ts">
import { onMounted, ref, useTemplateRef } from 'vue';
import { setScale } from '#core/survey/drawing';
import type { Change, Drawing, Site, Spot } from '#core/model/site';
import QuantityField from '../../../parts/QuantityField.vue';
import { fitting } from '../../../parts/within';

/** How far apart the two points are that were clicked. */
const { site, drawing, a, b } = defineProps<{ site: Site; drawing: Drawing; a: Spot; b: Spot }>();
const emit = defineEmits<{ take: [changes: Change[]]; leave: [] }>();
const box = useTemplateRef('box');
const distanceM = ref<number | null>(null);
onMounted(() => box.value?.querySelector('input')?.focus());
function take(): void {
  if (distanceM.value !== null) emit('take', setScale(site, drawing, a, b, distanceM.value));
}
</script>

<template>
  <div ref="box" class="scale-panel">
    <h2 class="minor">How far apart are they?</h2>
    <QuantityField
      :value="distanceM"
      unit="m"
      label="Distance of the two points"
      size="large"
      :allowed="fitting('drawing', 'scale.distanceM', 'm')"
      @take="(metres) => (distanceM = metres)"
      @entered="take"
    />
    <div class="row">
      <button type="button" class="btn go" :disabled="distanceM === null" @click="take">Set the scale</button
      ><button type="button" class="btn" @click="emit('leave')">Cancel</button>
    </div>
    <p class="dim tiny">Segments that follow routes on this drawing take their new lengths at once.</p>
  </div>
</template>

<style scoped>
.scale-panel {
  display: grid;
  gap: 8px;
}
</style>
