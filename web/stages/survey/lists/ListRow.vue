<script setup lang="ts">
import { inject } from 'vue';
import { cellFor, type ShownRow } from '#core/survey/lists';
import { useMeasures } from '../../../stores/measures';
import CellEditor from './CellEditor.vue';
import { listEditing, type LaidColumn } from './listEditing';

/** One row: what its cells in sight say, and the field in which one of them is changed. */
defineProps<{
  row: ShownRow;
  columns: readonly LaidColumn[];
  y: number;
  width: number;
  isPicked: boolean;
  edited: string | null;
  tabKey: string | null;
}>();
const emit = defineEmits<{ pick: [] }>();
const { take, leave } = inject(listEditing)!;
const own = useMeasures();
</script>

<template>
  <div
    class="line"
    role="row"
    :class="{ picked: isPicked }"
    :data-row="row.id"
    :style="{ top: `${y}px`, width: `${width}px` }"
  >
    <label class="tick frozen"
      ><input
        type="checkbox"
        :checked="isPicked"
        :aria-label="`Pick row ${row.id}`"
        tabindex="-1"
        @change="emit('pick')"
    /></label>
    <template v-for="{ column, x, isFrozen } in columns" :key="column.key">
      <div
        v-if="edited === column.key"
        role="gridcell"
        class="cell edited"
        :class="{ frozen: isFrozen }"
        :style="{ width: `${column.width}px`, left: `${x}px` }"
      >
        <CellEditor
          :column="column"
          :value="row.cells[column.key] ?? null"
          @take="(text, then) => take(row.id, column.key, text, then)"
          @leave="leave(row.id, column.key)"
        />
      </div>
      <div
        v-else
        role="gridcell"
        class="cell"
        :class="{ frozen: isFrozen, number: column.cell.kind === 'number', fixed: !column.editable }"
        :style="{ width: `${column.width}px`, left: `${x}px` }"
        :tabindex="tabKey === column.key ? 0 : -1"
        :data-cell="`${row.id} ${column.key}`"
      >
        {{ cellFor(column, row.cells[column.key] ?? null, own.measures) }}
      </div>
    </template>
  </div>
</template>

<style scoped>
.line {
  position: absolute;
  left: 0;
  display: flex;
  height: 28px;
  border-bottom: 1px solid var(--rule);
  background: var(--sheet);
  contain: layout style;
}
.line.picked,
.line.picked .frozen {
  background: var(--copper-3);
}
.cell {
  position: absolute;
  top: 0;
  height: 27px;
  padding: 4px 7px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  cursor: default;
}
.cell.edited {
  padding: 0;
}
.cell.frozen {
  position: sticky;
  flex: none;
  z-index: 1;
  background: var(--sheet);
}
.cell:focus {
  outline: 2px solid var(--copper);
  outline-offset: -2px;
}
.cell.number {
  text-align: right;
  font-family: var(--mono);
  font-size: 12px;
}
.cell.fixed {
  color: var(--ink-2);
}
.tick {
  position: sticky;
  left: 0;
  z-index: 1;
  flex: none;
  width: 40px;
  display: grid;
  place-items: center;
  background: var(--sheet);
}
.line.picked .tick {
  background: var(--copper-3);
}
</style>
