<script setup lang="ts">
import SelectButton from 'primevue/selectbutton';
import { useControlId } from './rowLabel';

defineProps<{ value: boolean; label: string }>();
const emit = defineEmits<{ take: [value: boolean] }>();
const id = useControlId();
const choices = [
  { value: true, label: 'Yes' },
  { value: false, label: 'No' },
];
</script>

<template>
  <SelectButton
    :id="id"
    :model-value="value"
    :options="choices"
    option-label="label"
    option-value="value"
    :allow-empty="false"
    size="small"
    :aria-label="label"
    @update:model-value="(next: boolean) => emit('take', next)"
  />
</template>
