<script setup lang="ts">
defineProps<{ label: string; hint?: string }>();
</script>

<template>
  <label class="field-row">
    <span class="label">{{ label }}</span>
    <span class="control"><slot /></span>
    <span v-if="hint" class="hint">{{ hint }}</span>
  </label>
</template>

<style scoped>
.field-row { display: grid; grid-template-columns: 104px 1fr; align-items: center; gap: 2px 8px; min-height: 27px; }
.label { color: var(--ink-2); font-size: 12px; }
.control { min-width: 0; display: flex; gap: 6px; align-items: center; }
.control :deep(.p-select), .control :deep(.p-inputtext) { width: 100%; min-width: 0; }
.hint { grid-column: 2; font-size: 11px; color: var(--ink-2); }
@media (max-width: 700px) {
  .control :deep(.p-select), .control :deep(input) { min-height: 42px; align-items: center; }
  .field-row { padding-block: 2px; }
}
</style>
