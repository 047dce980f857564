<script setup lang="ts">
import SelectButton from 'primevue/selectbutton';

defineProps<{ value: boolean; label: string }>();
const emit = defineEmits<{ take: [value: boolean] }>();
const choices = [
  { value: true, label: 'Yes' },
  { value: false, label: 'No' },
];
</script>

<template>
  <SelectButton
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
