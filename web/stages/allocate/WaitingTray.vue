<script setup lang="ts">
import type { SlotNeed } from '#core/model/slotRules';
import CameraTag from './CameraTag.vue';

/** Decided cameras that wait for a slot. */
defineProps<{ waiting: SlotNeed[]; carried: readonly string[] }>();
const emit = defineEmits<{ pick: [cameraId: string, together: boolean] }>();
</script>

<template>
  <div class="tray" role="group" aria-label="Waiting for a slot">
    <p v-if="waiting.length === 0" class="dim">
      Nothing waits here. What is chosen in Decide comes to this tray.
    </p>
    <CameraTag
      v-for="need in waiting"
      :key="need.cameraId"
      :need="need"
      :carried="carried.includes(need.cameraId)"
      @pick="(together: boolean) => emit('pick', need.cameraId, together)"
    />
  </div>
</template>

<style scoped>
.tray {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  min-height: 34px;
  padding: 6px 8px;
  border: 1px dashed var(--rule-strong);
  align-items: center;
}
</style>
