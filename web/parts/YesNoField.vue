<script setup lang="ts">
import SelectButton from 'primevue/selectbutton';

defineProps<{ value: boolean; label: string }>();
const emit = defineEmits<{ take: [value: boolean] }>();
const choices = [
  { value: true, says: 'Yes' },
  { value: false, says: 'No' },
];
</script>

<template>
  <SelectButton
    :model-value="value"
    :options="choices"
    option-label="says"
    option-value="value"
    :allow-empty="false"
    size="small"
    :aria-label="label"
    @update:model-value="(next: boolean) => emit('take', next)"
  />
</template>
