<script setup lang="ts">
import { useMeasures } from '../stores/measures';
import { computed, inject, provide } from 'vue';
import { onlyField } from './onlyField';
import { newRowLabel, rowLabel } from './rowLabel';

/** A label and what is noted under it. `field` is the name by which others lead here; `assumed` says that nobody has looked yet. */
const {
  label,
  hint = '',
  field = '',
  assumed = false,
} = defineProps<{ label: string; hint?: string; field?: string; assumed?: boolean }>();
const own = useMeasures();
const emit = defineEmits<{ confirm: [] }>();
const only = inject(onlyField, null);
const row = newRowLabel();
provide(rowLabel, row);
/** A label leads to its control by itself where that is an input; the library's lists and pairs of buttons are not. */
function focusControl(): void {
  const control = document.getElementById(row.controlId);
  const inner = control?.querySelector<HTMLElement>('button, input, [tabindex="0"]');
  (inner ?? control)?.focus();
}
const isShown = computed(() => !only?.value || only.value === field);
</script>

<template>
  <div v-if="isShown" class="field-row" :class="{ assumed }" :data-field="field || undefined">
    <label class="label" :for="row.controlId" @click="focusControl">{{ label }}</label>
    <span class="control"><slot /></span>
    <span v-if="assumed" class="hint"
      >Assumed, not checked.
      <button type="button" class="plain so" @click="emit('confirm')">Confirm</button></span
    >
    <span v-if="hint" class="hint">{{ own.words(hint) }}</span>
  </div>
</template>

<style scoped>
.field-row {
  display: grid;
  grid-template-columns: 104px 1fr;
  align-items: center;
  gap: 2px 8px;
  min-height: 27px;
}
.label {
  color: var(--ink-2);
  font-size: 12px;
}
.assumed .label {
  font-style: italic;
}
.control {
  min-width: 0;
  display: flex;
  gap: 6px;
  align-items: center;
}
.control :deep(.p-select),
.control :deep(.p-multiselect),
.control :deep(.p-inputtext) {
  width: 100%;
  min-width: 0;
}
.hint {
  grid-column: 2;
  font-size: 11px;
  color: var(--ink-2);
}
.so {
  text-decoration: underline;
  text-underline-offset: 2px;
  color: var(--ink);
}
@media (max-width: 700px) {
  .control :deep(.p-select),
  .control :deep(.p-multiselect),
  .control :deep(input) {
    min-height: 42px;
    align-items: center;
  }
  .field-row {
    padding-block: 2px;
  }
  .so {
    padding: 10px 4px;
  }
}
</style>
