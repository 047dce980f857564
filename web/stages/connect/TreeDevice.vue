<script setup lang="ts">
import { dropTargetForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter';
import { onBeforeUnmount, onMounted, ref, useTemplateRef } from 'vue';
import type { Load } from '#core/shared/derivation';
import { formatFigure } from '#core/shared/units';
import MarginBar from '../../parts/MarginBar.vue';
import { boxWidth, type PlacedDevice } from './treeLayout';

/** A device of the tree: what it is, where it stands, and how much of it is taken. Cameras can be dropped on it. */
const { placed, loads, place, picked } = defineProps<{
  placed: PlacedDevice;
  loads: readonly Load[];
  place: string;
  picked: boolean;
}>();
const emit = defineEmits<{ pick: []; hang: [cameraId: string] }>();
const isOver = ref(false);
const box = useTemplateRef('box');
let stop: (() => void) | undefined;
onMounted(() => {
  stop = dropTargetForElements({
    element: box.value!,
    onDragEnter: () => (isOver.value = true),
    onDragLeave: () => (isOver.value = false),
    onDrop: ({ source }) => {
      isOver.value = false;
      emit('hang', String(source.data['cameraId']));
    },
  });
});
onBeforeUnmount(() => stop?.());
</script>

<template>
  <button
    ref="box"
    type="button"
    class="plain device"
    role="treeitem"
    aria-level="1"
    :data-item="`device/${placed.device.id}`"
    :class="{ now: picked, over: isOver, planned: placed.device.standing === 'planned' }"
    :style="{
      left: `${placed.x}px`,
      top: `${placed.y}px`,
      width: `${boxWidth}px`,
      height: `${placed.height}px`,
    }"
    @click="emit('pick')"
  >
    <b>{{ placed.device.name }}</b>
    <span class="dim mono tiny"
      >{{ place }}{{ placed.device.standing === 'planned' ? ', planned' : '' }}</span
    >
    <span v-for="load in loads" :key="load.label" class="load">
      <span class="tiny">{{ load.label }}</span>
      <MarginBar :utilisation="load.utilisation" :state="load.status" :width="34" />
      <span class="mono tiny"
        >{{ formatFigure(load.used, load.unit, 0) }} of {{ formatFigure(load.most, load.unit, 0) }}
        {{ load.unit }}</span
      >
    </span>
  </button>
</template>

<style scoped>
.device {
  position: absolute;
  display: grid;
  align-content: start;
  padding: 2px 8px;
  text-align: left;
  background: var(--sheet);
  border: 1px solid var(--ink-2);
}
.device b,
.device > .mono {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-size: 12px;
}
.device > .mono {
  font-size: 11px;
}
.planned {
  border-style: dashed;
}
.now,
.device:hover {
  background: var(--copper-3);
}
.over {
  outline: 2px solid var(--copper);
}
.load {
  display: grid;
  grid-template-columns: 34px 36px 1fr;
  align-items: center;
  gap: 4px;
  height: 18px;
}
.load .mono {
  font-size: 11px;
  text-align: right;
  white-space: nowrap;
}
</style>
