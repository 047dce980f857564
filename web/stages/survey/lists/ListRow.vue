<script setup lang="ts">
import { computed, inject } from 'vue';
import { cellFor, type ShownRow } from '#core/survey/lists';
import { useMeasures } from '../../../stores/measures';
import CellEditor from './CellEditor.vue';
import { listEditing, type LaidColumn } from './listEditing';

/** One row: what its cells in sight say, and the field in which one of them is changed. */
const { columns } = defineProps<{
  row: ShownRow;
  columns: readonly LaidColumn[];
  y: number;
  width: number;
  isPicked: boolean;
  edited: string | null;
  tabKey: string | null;
  /** Columns of this row that are taken together with others. */
  inBlock: ReadonlySet<string>;
}>();
const emit = defineEmits<{ pick: [] }>();
const { take, leave } = inject(listEditing)!;
const own = useMeasures();
/** What stays on the left is one box: each box that sticks by itself is a layer to be put in its place at every step. */
const parts = computed(() => {
  const frozen = columns.filter(({ isFrozen }) => isFrozen);
  const last = frozen.at(-1);
  return [
    { kind: 'frozen', columns: frozen, widthPx: last ? last.x + last.column.width : 0 },
    { kind: 'loose', columns: columns.filter(({ isFrozen }) => !isFrozen), widthPx: 0 },
  ];
});
</script>

<template>
  <div
    class="line"
    role="row"
    :class="{ picked: isPicked }"
    :data-row="row.id"
    :style="{ top: `${y}px`, width: `${width}px` }"
  >
    <div
      v-for="part in parts"
      :key="part.kind"
      :class="part.kind"
      role="none"
      :style="{ width: `${part.widthPx}px` }"
    >
      <div v-if="part.kind === 'frozen'" role="gridcell">
        <label class="tick"
          ><input
            type="checkbox"
            :checked="isPicked"
            :aria-label="`Pick row ${row.id}`"
            tabindex="-1"
            @change="emit('pick')"
        /></label>
      </div>
      <template v-for="{ column, x } in part.columns" :key="column.key">
        <div
          v-if="edited === column.key"
          role="gridcell"
          class="cell edited"
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
          :class="{
            number: column.cell.kind === 'number',
            fixed: !column.editable,
            block: inBlock.has(column.key),
          }"
          :aria-selected="inBlock.has(column.key) ? true : undefined"
          :style="{ width: `${column.width}px`, left: `${x}px` }"
          :tabindex="tabKey === column.key ? 0 : -1"
          :data-cell="`${row.id} ${column.key}`"
        >
          {{ cellFor(column, row.cells[column.key] ?? null, own.measures) }}
        </div>
      </template>
    </div>
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
.frozen {
  position: sticky;
  left: 0;
  z-index: 1;
  flex: none;
  height: 27px;
  background: var(--sheet);
}
.loose {
  display: contents;
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
.cell:focus {
  outline: 2px solid var(--copper);
  outline-offset: -2px;
}
.cell.block {
  background: var(--copper-3);
  box-shadow: inset 0 0 0 1px var(--copper-2);
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
  width: 40px;
  height: 27px;
  display: grid;
  place-items: center;
}
</style>
