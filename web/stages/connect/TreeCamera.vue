<script setup lang="ts">
import { draggable } from '@atlaskit/pragmatic-drag-and-drop/element/adapter';
import { onBeforeUnmount, onMounted, useTemplateRef } from 'vue';
import type { CameraEnd } from '#core/connect/topology';

/** A camera of the tree: how far it is, what it sends and what its port gives. It can be dragged onto another device. */
const { camera } = defineProps<{ camera: CameraEnd; picked: boolean }>();
const emit = defineEmits<{ pick: [] }>();
const row = useTemplateRef('row');
let stop: (() => void) | undefined;
onMounted(() => {
  stop = draggable({ element: row.value!, getInitialData: () => ({ cameraId: camera.cameraId }) });
});
onBeforeUnmount(() => stop?.());
</script>

<template>
  <div
    ref="row"
    class="camera"
    role="treeitem"
    tabindex="0"
    aria-level="3"
    :aria-selected="picked"
    :class="{ now: picked }"
    :data-item="`camera/${camera.cameraId}`"
    @click="emit('pick')"
    @keydown.enter.prevent="emit('pick')"
  >
    <span class="mono number">{{ camera.number }}</span>
    <span class="name">{{ camera.name }}</span>
    <span class="mono">{{ camera.lengthM > 0 ? `${Math.round(camera.lengthM)} m` : '' }}</span>
    <span class="mono">{{ camera.mbps > 0 ? `${camera.mbps.toFixed(1)} Mb/s` : '' }}</span>
    <span class="mono">{{ camera.watts > 0 ? `${camera.watts.toFixed(1)} W` : '' }}</span>
    <span v-if="camera.isPinned" class="dim tiny">set by hand</span>
  </div>
</template>

<style scoped>
.camera {
  position: absolute;
  width: 420px;
  display: grid;
  grid-template-columns: 26px 1fr 56px 76px 56px 70px;
  gap: 6px;
  align-items: center;
  padding: 0 4px;
  text-align: left;
  font-size: 12px;
  cursor: pointer;
}
.mono {
  text-align: right;
  font-size: 11px;
}
.camera:hover,
.camera.now {
  background: var(--copper-3);
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
