<script setup lang="ts">
import { draggable } from '@atlaskit/pragmatic-drag-and-drop/element/adapter';
import { onBeforeUnmount, onMounted, useTemplateRef } from 'vue';
import { lineHeight } from './linesApart';

/** A task in its night: as long as it takes, to be picked, and to be dragged to another night or to somebody else. */
const { taskId, isFixed = false } = defineProps<{
  taskId: string;
  label: string;
  title: string;
  tone: 'build' | 'recorder' | 'camera';
  left: number;
  width: number;
  /** Which of the lines under each other it stands on. */
  line: number;
  state: 'open' | 'under-way' | 'done' | 'put-back';
  isPinned: boolean;
  isPicked: boolean;
  isLate: boolean;
  isFixed?: boolean;
  isSecond: boolean;
}>();
const emit = defineEmits<{ pick: []; dragging: [is: boolean] }>();

const bar = useTemplateRef<HTMLElement>('bar');
const marks = { open: '', 'under-way': '▸ ', done: '✓ ', 'put-back': '↩ ' } as const;
let stop: (() => void) | undefined;
onMounted(() => {
  if (isFixed) return;
  stop = draggable({
    element: bar.value!,
    getInitialData: () => ({ taskId }),
    onDragStart: () => emit('dragging', true),
    onDrop: () => emit('dragging', false),
  });
});
onBeforeUnmount(() => stop?.());
</script>

<template>
  <button
    ref="bar"
    type="button"
    class="bar"
    :class="[tone, state, { picked: isPicked, late: isLate, second: isSecond }]"
    :style="{ left: `${left}%`, width: `${width}%`, top: `${2 + lineHeight * line}px` }"
    :title="title"
    :aria-pressed="isPicked"
    :aria-label="title"
    :aria-hidden="isSecond || undefined"
    :data-task="taskId"
    :tabindex="isSecond ? -1 : 0"
    @click="emit('pick')"
  >
    <span class="words">{{ marks[state] }}{{ label }}</span
    ><span v-if="isPinned" class="pin" aria-hidden="true">◆</span>
  </button>
</template>

<style scoped>
.bar {
  position: absolute;
  height: 24px;
  min-width: 24px;
  display: flex;
  gap: 3px;
  padding: 0 4px;
  border: 1px solid var(--ink-2);
  background: var(--copper-2);
  color: var(--ink);
  font-size: 11px;
  line-height: 22px;
  text-align: left;
  cursor: grab;
  overflow: hidden;
}
.words {
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}
.bar.build {
  background: var(--verdigris-2);
}
.bar.recorder {
  background: var(--ochre-2);
}
.bar.second {
  border-style: dashed;
}
.bar.done {
  background: var(--sheet);
  border-color: var(--verdigris);
}
.bar.put-back {
  background: repeating-linear-gradient(45deg, var(--sheet) 0 5px, var(--madder-2) 5px 7px);
}
.bar.under-way {
  border-width: 2px;
  line-height: 20px;
}
.bar.late {
  border-color: var(--madder);
  outline: 1px solid var(--madder);
}
.bar.picked {
  outline: 2px solid var(--ink);
  outline-offset: 1px;
  z-index: 2;
}
.pin {
  flex: none;
  font-size: 9px;
}
</style>
