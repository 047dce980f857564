<script setup lang="ts">
import { computed, inject } from 'vue';
import type { ShownColumn, ShownRow } from '#core/lists';
import CellEditor from './CellEditor.vue';
import { listEditing } from './listEditing';

/** One cell: what it says, or the field in which it is changed. */
const { row, column } = defineProps<{ row: ShownRow; column: ShownColumn }>();
const { editing, begin, take, leave, onKey } = inject(listEditing)!;
const isEdited = computed(() => editing.value?.rowId === row.id && editing.value.key === column.key);
</script>

<template>
  <CellEditor v-if="isEdited" :column="column" :value="row.cells[column.key] ?? null" @take="(text, then) => take(row.id, column.key, text, then)" @leave="leave(row.id, column.key)" />
  <div
    v-else class="cell" :class="{ number: column.cell.kind === 'number', fixed: !column.editable }" tabindex="0" :data-cell="`${row.id} ${column.key}`" :aria-label="`${column.heading}: ${row.cells[column.key] ?? ''}`"
    @dblclick="begin(row.id, column)" @keydown="onKey($event, row, column)"
  >{{ row.cells[column.key] }}</div>
</template>

<style scoped>
.cell { height: 27px; padding: 4px 7px; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; cursor: default; }
.cell:focus { outline: 2px solid var(--copper); outline-offset: -2px; }
.cell.number { text-align: right; font-family: var(--mono); font-size: 12px; }
.cell.fixed { color: var(--ink-2); }
</style>
