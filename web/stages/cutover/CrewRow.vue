<script setup lang="ts">
import { dropTargetForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter';
import { onBeforeUnmount, onMounted, ref, useTemplateRef } from 'vue';
import { lineHeight } from './linesApart';

/** A line of a night that a task can be dropped on: somebody’s, or a night that nothing is agreed for yet. */
const { lines = 1 } = defineProps<{
  label: string;
  line: string;
  /** How many lines of bars stand under each other. */
  lines?: number;
}>();
const emit = defineEmits<{ drop: [taskId: string] }>();
const box = useTemplateRef<HTMLElement>('box');
const isOver = ref(false);
let stop: (() => void) | undefined;
onMounted(() => {
  stop = dropTargetForElements({
    element: box.value!,
    canDrop: ({ source }) => typeof source.data['taskId'] === 'string',
    onDragEnter: () => (isOver.value = true),
    onDragLeave: () => (isOver.value = false),
    onDrop: ({ source }) => {
      isOver.value = false;
      emit('drop', String(source.data['taskId']));
    },
  });
});
onBeforeUnmount(() => stop?.());
</script>

<template>
  <span class="who mono">{{ label }}</span>
  <div
    ref="box"
    class="line"
    :class="{ over: isOver }"
    :style="{ height: `${lineHeight * lines}px` }"
    :data-line="line"
  >
    <slot />
  </div>
</template>

<style scoped>
.who {
  font-size: 11px;
  color: var(--ink-2);
  text-align: right;
  padding: 5px 8px 0 0;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.line {
  position: relative;
  border-bottom: 1px solid var(--rule);
}
.line.over {
  background: var(--copper-3);
}
</style>
