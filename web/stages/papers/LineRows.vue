<script setup lang="ts">
import { ref } from 'vue';
import type { Unit } from '#core/shared/units';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';

/** Lines of words with a figure each, to be added, changed and taken away. */
export interface WordedFigure {
  words: string;
  figure: number;
}
const { rows, label, unit, most } = defineProps<{
  rows: readonly WordedFigure[];
  label: string;
  unit: Unit;
  most: number;
  allowed: (figure: number) => string | undefined;
}>();
const emit = defineEmits<{ take: [rows: WordedFigure[]] }>();
const words = ref('');
const change = (at: number, fields: Partial<WordedFigure>) =>
  emit(
    'take',
    rows.map((row, index) => (index === at ? { ...row, ...fields } : row)),
  );
const without = (at: number) =>
  emit(
    'take',
    rows.filter((_, index) => index !== at),
  );
const refuse = (text: string) =>
  text.length >= 1 && text.length <= 200 ? undefined : 'from 1 to 200 characters';
function add(): void {
  const text = words.value.trim();
  if (refuse(text) === undefined) emit('take', [...rows, { words: text, figure: 0 }]);
  words.value = '';
}
</script>

<template>
  <fieldset>
    <legend>{{ label }}</legend>
    <div v-for="(row, index) in rows" :key="index" class="line">
      <TextField
        :value="row.words"
        :label="`${label}, line ${index + 1}`"
        :refuse="refuse"
        @take="(text) => change(index, { words: text })"
      />
      <QuantityField
        :value="row.figure"
        :unit="unit"
        :label="`${label}, figure of line ${index + 1}`"
        :allowed="allowed"
        @take="(figure) => change(index, { figure })"
      />
      <button type="button" class="btn small" :aria-label="`Take away ${row.words}`" @click="without(index)">
        ×
      </button>
    </div>
    <form v-if="rows.length < most" class="add" @submit.prevent="add">
      <input v-model="words" class="field" :aria-label="`${label}, another`" maxlength="200" />
      <button type="submit" class="btn small">Add</button>
    </form>
  </fieldset>
</template>

<style scoped>
fieldset {
  margin: 8px 0 0;
  padding: 0;
  border: 0;
}
legend {
  padding: 0;
  color: var(--ink-2);
  font-size: 11px;
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 84px 28px;
  gap: 4px;
  padding-bottom: 4px;
  align-items: start;
}
.line .btn {
  min-width: 26px;
  padding: 0;
}
.add {
  display: flex;
  gap: 4px;
}
.field {
  flex: 1;
  min-width: 0;
  min-height: 26px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
}
</style>
