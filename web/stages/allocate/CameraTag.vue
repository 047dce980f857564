<script setup lang="ts">
import type { SlotNeed } from '#core/model/slotRules';
import { draggable } from '@atlaskit/pragmatic-drag-and-drop/element/adapter';
import { onMounted, onUnmounted, useTemplateRef } from 'vue';

/** A camera as a tag that can be dragged, or picked up by a click or a key. */
const {
  need,
  carried = false,
  faint = false,
  here = false,
} = defineProps<{ need: SlotNeed; carried?: boolean; faint?: boolean; here?: boolean }>();
const emit = defineEmits<{ pick: [together: boolean] }>();
const tag = useTemplateRef<HTMLElement>('tag');

let stop = (): void => undefined;
onMounted(() => {
  stop = draggable({ element: tag.value!, getInitialData: () => ({ cameraId: need.cameraId }) });
});
onUnmounted(() => stop());
</script>

<template>
  <button
    ref="tag"
    type="button"
    class="tag"
    :class="{ carried, faint, here, ip: need.signal.kind === 'ip' }"
    :data-camera="need.cameraId"
    :aria-pressed="carried"
    @click.stop="({ ctrlKey, shiftKey }) => emit('pick', ctrlKey || shiftKey)"
  >
    <span class="mono number">{{ need.number }}</span><span class="name">{{ need.name }}</span>
  </button>
</template>

<style scoped>
.tag {
  display: flex;
  gap: 5px;
  align-items: baseline;
  max-width: 100%;
  border: 1px solid var(--ink-2);
  border-left: 4px solid var(--copper);
  background: var(--sheet);
  padding: 1px 6px;
  cursor: grab;
  font-size: 12px;
}
.tag.ip {
  border-left: 4px double var(--verdigris);
}
.tag.faint {
  border-style: dashed;
  border-left-style: dashed;
  color: var(--ink-2);
  background: none;
}
.tag.carried {
  background: var(--copper-3);
  outline: 2px solid var(--copper);
}
.tag.here {
  background: var(--copper-3);
}
.number {
  color: var(--ink-2);
}
.name {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
@media (max-width: 700px) {
  .tag {
    min-height: 44px;
    align-items: center;
  }
}
</style>
