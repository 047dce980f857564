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
    @update:model-value="(next: T) => emit('take', next)"
  />
</template>
