<script setup lang="ts">
import Column from 'primevue/column';
import DataTable from 'primevue/datatable';
import { computed } from 'vue';
import type { ShownColumn, ShownRow } from '#core/lists';
import ListCell from './ListCell.vue';

/**
 * The rows of a list, those in sight drawn. It is told nothing of which cell is being changed: a library table draws all
 * its cells anew whenever it is told anything.
 */
const { columns, rows, search } = defineProps<{ columns: readonly ShownColumn[]; rows: readonly ShownRow[]; search: string }>();
const picked = defineModel<ShownRow[]>('picked', { required: true });

const rowPx = 28;
const tableWidth = computed(() => columns.reduce((sum, { width }) => sum + width, 40));
</script>

<template>
  <DataTable
    v-model:selection="picked" :value="rows as ShownRow[]" data-key="id" size="small" scrollable scroll-height="flex" :virtual-scroller-options="{ itemSize: rowPx, numToleratedItems: 8 }" removable-sort
    :table-style="{ minWidth: `${tableWidth}px` }"
  >
    <template #empty><p class="dim">Nothing matches “{{ search }}”.</p></template>
    <Column selection-mode="multiple" frozen :style="{ width: '40px' }" />
    <Column v-for="(column, index) in columns" :key="column.key" :field="`cells.${column.key}`" :header="column.heading" sortable :frozen="index < 2" :style="{ width: `${column.width}px`, minWidth: `${column.width}px` }">
      <template #body="{ data: row }"><ListCell :row="row" :column="column" /></template>
    </Column>
  </DataTable>
</template>
