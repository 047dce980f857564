<script setup lang="ts">
import { dropTargetForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter';
import { computed, nextTick, onMounted, onUnmounted, ref, useTemplateRef, watch } from 'vue';
import type { Slot } from '#core/allocate/recorder';
import CameraTag from './CameraTag.vue';

const { slotState, focused, broken } = defineProps<{
  slotState: Slot;
  focused: boolean;
  here: string | null;
  carried: readonly string[];
  broken: boolean;
  legal: boolean | null;
}>();
const emit = defineEmits<{ pick: [together: boolean]; drop: [cameraId: string] }>();
const cell = useTemplateRef<HTMLElement>('cell');
const over = ref(false);
/** What the slot holds, in words. */
const words = computed(() => {
  const held = slotState.occupants.map(({ need }) => `${need.number} ${need.name}`).join(', ');
  return `${slotState.label}${slotState.converted ? ', now IP' : ''}: ${held || 'free'}${broken ? ', breaks a rule' : ''}`;
});
/** The focus goes with the slot in hand, so that a screen reader says what it holds. */
watch(
  () => focused,
  async (isNow) => {
    await nextTick();
    if (isNow && !cell.value?.contains(document.activeElement)) cell.value?.focus();
  },
);

let stop = (): void => undefined;
onMounted(() => {
  stop = dropTargetForElements({
    element: cell.value!,
    onDragEnter: () => {
      over.value = true;
    },
    onDragLeave: () => {
      over.value = false;
    },
    onDrop: ({ source }) => {
      over.value = false;
      const { cameraId } = source.data;
      if (typeof cameraId === 'string') emit('drop', cameraId);
    },
  });
});
onUnmounted(() => stop());
</script>

<template>
  <div
    ref="cell"
    class="slot"
    role="listitem"
    :tabindex="focused ? 0 : -1"
    :aria-label="words"
    :class="{
      focused,
      broken,
      over,
      ip: slotState.carries === 'ip',
      legal: legal === true,
      illegal: legal === false,
    }"
    :data-slot="slotState.slot"
    @click="({ ctrlKey, shiftKey }) => emit('pick', ctrlKey || shiftKey)"
  >
    <span class="mono label"
      >{{ slotState.label }}<template v-if="slotState.converted">, now IP</template></span
    >
    <CameraTag
      v-for="{ need, placed } in slotState.occupants"
      :key="need.cameraId"
      :need="need"
      :faint="!placed"
      :carried="carried.includes(need.cameraId)"
      :here="here === need.cameraId"
      @pick="(together: boolean) => emit('pick', together)"
    />
  </div>
</template>

<style scoped>
.slot {
  min-height: 43px;
  border: 1px solid var(--rule);
  background: var(--paper);
  padding: 2px 4px 4px;
  cursor: pointer;
  min-width: 0;
  display: flex;
  flex-direction: column;
  gap: 2px;
  align-items: flex-start;
}
.slot.ip {
  background: var(--verdigris-3);
}
.label {
  font-size: 10px;
  color: var(--ink-2);
}
.slot.focused {
  outline: 2px solid var(--copper);
}
.slot.legal {
  border-color: var(--verdigris);
  border-style: solid;
  box-shadow: inset 0 -3px var(--verdigris);
}
.slot.illegal {
  opacity: 0.55;
}
.slot.over {
  outline: 2px dashed var(--copper);
}
.slot.broken {
  border-color: var(--madder);
  box-shadow: inset 0 0 0 1px var(--madder);
}
</style>
