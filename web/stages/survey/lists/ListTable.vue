<script setup lang="ts">
import { useElementSize, useScroll } from '@vueuse/core';
import { computed, inject, ref, useTemplateRef, watch } from 'vue';
import { headingFor, sortedRows, type ShownColumn, type ShownRow } from '#core/survey/lists';
import { inSight } from '../../../line/inSight';
import { useMeasures } from '../../../stores/measures';
import ListRow from './ListRow.vue';
import { listEditing, type LaidColumn } from './listEditing';

/**
 * The rows and columns of a list, those in sight drawn. The library's table draws every cell of every row anew as it
 * scrolls, at a seventh of the screen's rate with a thousand rows; here a row is drawn once, when it comes into sight.
 */
const { columns, rows, search } = defineProps<{
  columns: readonly ShownColumn[];
  rows: readonly ShownRow[];
  search: string;
}>();
const picked = defineModel<readonly string[]>('picked', { required: true });
const { editing, begin, onKey } = inject(listEditing)!;

const own = useMeasures();
const rowPx = 28;
const tickPx = 40;
/** So many columns stay on the left: what tells a row from all others. */
const frozenCount = 2;
const box = useTemplateRef('box');
const { height, width } = useElementSize(box);
const { x: scrolledRight, y: scrolledTo } = useScroll(box);

const order = ref<{ key: string; isDown: boolean } | null>(null);
function orderBy(key: string): void {
  // Up, then down, then as it was.
  order.value =
    order.value?.key !== key ? { key, isDown: false } : order.value.isDown ? null : { key, isDown: true };
}
const sorted = computed(() => (order.value ? sortedRows(rows, order.value.key, order.value.isDown) : rows));
const laidRows = computed(() => sorted.value.map((row, index) => ({ row, y: index * rowPx })));
const shownRows = computed(() => inSight(laidRows.value, scrolledTo.value, height.value));

// A row that is to be changed is brought into sight, or there would be no field to type in.
watch(
  editing,
  (cell) => {
    const row = cell && laidRows.value.find((one) => one.row.id === cell.rowId);
    if (!row || !box.value) return;
    const [top, bottom] = [scrolledTo.value, scrolledTo.value + height.value - 2 * rowPx];
    if (row.y < top || row.y > bottom) box.value.scrollTop = Math.max(0, row.y - height.value / 2);
  },
  { flush: 'post' },
);

const laidColumns = computed(() => {
  let y = tickPx;
  return columns.map((column, index): LaidColumn & { y: number } => {
    const laid = { column, x: y, y, isFrozen: index < frozenCount };
    y += column.width;
    return laid;
  });
});
const tableWidth = computed(() => columns.reduce((sum, column) => sum + column.width, tickPx));
const firstShown = computed(
  () => inSight(laidColumns.value.slice(frozenCount), scrolledRight.value, width.value)[0]?.column.key,
);
const countShown = computed(
  () => inSight(laidColumns.value.slice(frozenCount), scrolledRight.value, width.value).length,
);
/** The same list while the same columns are in sight, so that no row is drawn anew for nothing. */
const shownColumns = computed(() => {
  const loose = laidColumns.value.slice(frozenCount);
  const from = Math.max(
    0,
    loose.findIndex(({ column }) => column.key === firstShown.value),
  );
  return [...laidColumns.value.slice(0, frozenCount), ...loose.slice(from, from + countShown.value)];
});

const isPicked = computed(() => new Set(picked.value));
const areAllPicked = computed(() => rows.length > 0 && rows.every(({ id }) => isPicked.value.has(id)));
const pick = (id: string) => {
  picked.value = isPicked.value.has(id) ? picked.value.filter((one) => one !== id) : [...picked.value, id];
};
const pickAll = () => {
  picked.value = areAllPicked.value ? [] : rows.map(({ id }) => id);
};

/** The cell that Tab leads to: the one that was in hand last. */
const inHand = ref<{ rowId: string; key: string } | null>(null);
function cellOf(event: Event): { rowId: string; column: ShownColumn } | null {
  const [rowId, key] = ((event.target as HTMLElement).dataset['cell'] ?? '').split(' ');
  const column = columns.find((one) => one.key === key);
  return rowId && column ? { rowId, column } : null;
}
function onFocus(event: FocusEvent): void {
  const cell = cellOf(event);
  if (cell) inHand.value = { rowId: cell.rowId, key: cell.column.key };
}
function onCellKey(event: KeyboardEvent): void {
  const cell = cellOf(event);
  if (cell) onKey(event, event.target as HTMLElement, cell.rowId, cell.column);
}
function onDouble(event: MouseEvent): void {
  const cell = cellOf(event);
  if (cell) begin(cell.rowId, cell.column);
}
/** Until a cell was in hand Tab leads into a row in sight; the same one for a while as the rows go by, so that few are drawn anew for it. */
const rowsToAnchor = 8;
const anchorId = computed(() => {
  const first = shownRows.value.find(({ y }) => (y / rowPx) % rowsToAnchor === 0) ?? shownRows.value[0];
  return first?.row.id;
});
function tabKey(rowId: string): string | null {
  if (inHand.value) return inHand.value.rowId === rowId ? inHand.value.key : null;
  return rowId === anchorId.value ? columns[0]!.key : null;
}
</script>

<template>
  <div
    ref="box"
    class="grid"
    role="grid"
    :aria-rowcount="rows.length + 1"
    :aria-colcount="columns.length + 1"
    @focusin="onFocus"
    @keydown="onCellKey"
    @dblclick="onDouble"
  >
    <div class="head" role="row" :style="{ width: `${tableWidth}px` }">
      <div class="frozen" role="columnheader">
        <label class="tick"
          ><input type="checkbox" :checked="areAllPicked" aria-label="Pick all rows" @change="pickAll"
        /></label>
      </div>
      <div
        v-for="{ column, x, isFrozen } in laidColumns"
        :key="column.key"
        role="columnheader"
        class="heading"
        :class="{ frozen: isFrozen, number: column.cell.kind === 'number' }"
        :style="{ width: `${column.width}px`, left: isFrozen ? `${x}px` : undefined }"
        :aria-sort="order?.key === column.key ? (order.isDown ? 'descending' : 'ascending') : 'none'"
      >
        <button type="button" class="plain" @click="orderBy(column.key)">
          {{ headingFor(column, own.measures)
          }}<span v-if="order?.key === column.key">{{ order.isDown ? ' ↓' : ' ↑' }}</span>
        </button>
      </div>
    </div>
    <div class="body" :style="{ width: `${tableWidth}px`, height: `${rows.length * rowPx}px` }">
      <ListRow
        v-for="{ row, y } in shownRows"
        :key="row.id"
        :row="row"
        :columns="shownColumns"
        :y="y"
        :width="tableWidth"
        :is-picked="isPicked.has(row.id)"
        :edited="editing?.rowId === row.id ? editing.key : null"
        :tab-key="tabKey(row.id)"
        @pick="pick(row.id)"
      />
    </div>
    <p v-if="rows.length === 0" class="dim none">Nothing matches “{{ search }}”.</p>
  </div>
</template>

<style scoped>
.grid {
  height: 100%;
  overflow: auto;
  scrollbar-width: thin;
  scroll-padding: 28px 0 0 270px;
}
.head {
  position: sticky;
  top: 0;
  z-index: 3;
  display: flex;
  height: 28px;
  background: var(--paper);
  border-bottom: 1px solid var(--rule-strong);
}
.heading {
  flex: none;
  padding: 5px 7px;
  font-size: 11px;
  color: var(--ink-2);
  white-space: nowrap;
  overflow: hidden;
}
.heading[aria-sort='ascending'],
.heading[aria-sort='descending'] {
  color: var(--ink);
  font-weight: 600;
}
.heading.number {
  text-align: right;
}
.frozen {
  position: sticky;
  left: 0;
  z-index: 1;
  background: var(--paper);
}
.tick {
  flex: none;
  width: 40px;
  display: grid;
  place-items: center;
}
.body {
  position: relative;
}
.none {
  padding: 14px;
}
</style>
