<script setup lang="ts">
import { draggable, dropTargetForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter';
import { combine } from '@atlaskit/pragmatic-drag-and-drop/combine';
import { onMounted, onBeforeUnmount, ref, useTemplateRef } from 'vue';
import { headingFor, type ShownColumn } from '#core/survey/lists';
import { useMeasures } from '../../../stores/measures';

/** A heading: pressed it sorts, dragged it changes places, and its edge makes the column wider. By keys with Alt and with Shift. */
const { column } = defineProps<{ column: ShownColumn; sorted: 'up' | 'down' | null }>();
const emit = defineEmits<{
  sort: [];
  step: [by: 1 | -1];
  move: [key: string];
  widen: [toPx: number];
}>();
const own = useMeasures();
const box = useTemplateRef('box');
const isOver = ref(false);
const stepPx = 16;

let stop: () => void = () => undefined;
onMounted(() => {
  const element = box.value!;
  stop = combine(
    draggable({ element, getInitialData: () => ({ columnKey: column.key }) }),
    dropTargetForElements({
      element,
      canDrop: ({ source }) => typeof source.data['columnKey'] === 'string',
      onDragEnter: () => (isOver.value = true),
      onDragLeave: () => (isOver.value = false),
      onDrop: ({ source }) => {
        isOver.value = false;
        emit('move', String(source.data['columnKey']));
      },
    }),
  );
});
onBeforeUnmount(() => stop());

function onKey(event: KeyboardEvent): void {
  const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
  if (by === 0 || (!event.altKey && !event.shiftKey)) return;
  event.preventDefault();
  event.stopPropagation();
  if (event.altKey) emit('step', by);
  else emit('widen', column.width + by * stepPx);
}

/** Where the edge was taken hold of, and how wide the column was then. */
let held: { x: number; widthPx: number } | null = null;
function hold(event: PointerEvent): void {
  event.preventDefault();
  (event.target as HTMLElement).setPointerCapture(event.pointerId);
  held = { x: event.clientX, widthPx: column.width };
}
function pull({ clientX }: PointerEvent): void {
  if (held) emit('widen', held.widthPx + clientX - held.x);
}
const letGo = (): void => {
  held = null;
};
</script>

<template>
  <div ref="box" class="head-cell" :class="{ over: isOver }">
    <button
      type="button"
      class="plain"
      title="Press to sort. Alt and an arrow moves the column, Shift and an arrow makes it wider."
      @click="emit('sort')"
      @keydown="onKey"
    >
      {{ headingFor(column, own.measures) }}<span v-if="sorted">{{ sorted === 'down' ? ' ↓' : ' ↑' }}</span>
    </button>
    <span
      class="edge"
      aria-hidden="true"
      draggable="false"
      @pointerdown="hold"
      @pointermove="pull"
      @pointerup="letGo"
      @pointercancel="letGo"
    />
  </div>
</template>

<style scoped>
.head-cell {
  position: relative;
  height: 100%;
}
.head-cell.over {
  box-shadow: inset 2px 0 var(--copper);
}
button {
  width: 100%;
  height: 100%;
  padding: 0 7px;
  text-align: inherit;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.head-cell button.plain {
  min-height: 0;
}
.edge {
  position: absolute;
  top: 0;
  right: 0;
  width: 8px;
  height: 100%;
  cursor: col-resize;
  touch-action: none;
  border-right: 1px solid var(--rule);
}
.edge:hover {
  border-right: 2px solid var(--copper);
}
</style>
