<script setup lang="ts">
import type { SlotNeed } from '#core/recorder';
import CameraTag from './CameraTag.vue';

/** Decided cameras that wait for a slot. */
defineProps<{ waiting: SlotNeed[]; carried: string | null }>();
const emit = defineEmits<{ pick: [cameraId: string] }>();
</script>

<template>
  <div class="tray" role="list" aria-label="Waiting for a slot">
    <p v-if="waiting.length === 0" class="dim">Nothing waits here. Choose an option in Decide and its camera comes to this tray.</p>
    <CameraTag v-for="need in waiting" :key="need.cameraId" role="listitem" :need="need" :carried="carried === need.cameraId" @pick="emit('pick', need.cameraId)" />
  </div>
</template>

<style scoped>
.tray { display: flex; flex-wrap: wrap; gap: 6px; min-height: 34px; padding: 6px 8px; border: 1px dashed var(--rule-strong); align-items: center; }
</style>
