<script setup lang="ts" generic="T extends string | number">
import Select from 'primevue/select';
import { useControlId } from './rowLabel';

/** One of a few words. The widget is the library's; this ties it to a value and a label. */
defineProps<{
  value: T | null;
  choices: { value: T; label: string }[];
  label: string;
  disabled?: boolean;
  placeholder?: string;
}>();
const emit = defineEmits<{ take: [value: T] }>();
const id = useControlId();

/** The library keeps Escape to itself, also where its list is closed: then it leaves the field or the dialog, as in every other. */
function leave(event: KeyboardEvent): void {
  const box = event.target as HTMLElement;
  if (event.key !== 'Escape' || box.getAttribute('aria-expanded') === 'true') return;
  const dialog = box.closest('[role="dialog"]');
  if (!dialog) return box.blur();
  event.stopPropagation();
  dialog.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', code: 'Escape', bubbles: true }));
}
</script>

<template>
  <Select
    :model-value="value"
    :options="choices"
    option-label="label"
    option-value="value"
    :label-id="id"
    :aria-label="label"
    size="small"
    :disabled="disabled"
    :placeholder="placeholder ?? ''"
    :filter="choices.length > 14"
    @keydown.capture="leave"
    @update:model-value="(next: T) => emit('take', next)"
  />
</template>
