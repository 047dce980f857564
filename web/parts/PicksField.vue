<script setup lang="ts" generic="T extends string">
import MultiSelect from 'primevue/multiselect';
import { useControlId } from './rowLabel';

/** None, one or several of a few words, in the order they are picked. */
defineProps<{
  values: readonly T[];
  choices: { value: T; label: string }[];
  label: string;
  placeholder?: string;
  disabled?: boolean;
}>();
const emit = defineEmits<{ take: [values: T[]]; closed: [] }>();
const id = useControlId();
</script>

<template>
  <MultiSelect
    :model-value="[...values]"
    :options="choices"
    option-label="label"
    option-value="value"
    :input-id="id"
    :aria-label="label"
    :placeholder="placeholder ?? 'None'"
    size="small"
    :show-toggle-all="false"
    :disabled="disabled"
    :filter="choices.length > 14"
    @update:model-value="(next: T[]) => emit('take', next)"
    @hide="emit('closed')"
  />
</template>
