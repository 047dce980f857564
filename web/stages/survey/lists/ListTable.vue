<script setup lang="ts">
import { useElementSize, useEventListener, useScroll } from '@vueuse/core';
import Papa from 'papaparse';
import { computed, inject, nextTick, ref, useTemplateRef, watch } from 'vue';
import {
  fillDown,
  pasteInto,
  sortedRows,
  wordsOfBlock,
  type ListId,
  type ShownColumn,
  type ShownRow,
  type TypedCell,
} from '#core/survey/lists';
import { inSight } from '../../../line/inSight';
import { useMeasures } from '../../../stores/measures';
import HeadCell from './HeadCell.vue';
import ListRow from './ListRow.vue';
import { listEditing, type LaidColumn } from './listEditing';
import { useCellRange, type CellAt } from './useCellRange';
import { useColumnLayout } from './useColumnLayout';

/**
 * The rows and columns of a list, those in sight drawn: a row is drawn once, when it comes into sight, and every cell of it can have the
 * focus and says what it is. Cells are taken together, copied, pasted and filled down as in any spreadsheet.
 */
const { list, columns, rows, search } = defineProps<{
  list: ListId;
  columns: readonly ShownColumn[];
  rows: readonly ShownRow[];
  search: string;
}>();
const emit = defineEmits<{ write: [cells: TypedCell[], what: string] }>();
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
const sortedBy = (key: string): 'up' | 'down' | null =>
  order.value?.key !== key ? null : order.value.isDown ? 'down' : 'up';
const sorted = computed(() => (order.value ? sortedRows(rows, order.value.key, order.value.isDown) : rows));
const laidRows = computed(() => sorted.value.map((row, index) => ({ row, y: index * rowPx })));
const inSightNow = computed(() => inSight(laidRows.value, scrolledTo.value, height.value));
/** As many places as rows were ever in sight at once: a row that comes into sight takes the place of one that left, its elements with it. */
const placeCount = ref(1);
watch(inSightNow, ({ length }) => (placeCount.value = Math.max(placeCount.value, length)), {
  immediate: true,
  flush: 'sync',
});
const shownRows = computed(() =>
  inSightNow.value.map(({ row, y }) => ({ row, y, place: (y / rowPx) % placeCount.value })),
);

const layout = useColumnLayout(
  () => list,
  () => columns,
);
const laidColumns = computed(() => {
  let y = tickPx;
  return layout.laid.value.map((column, index): LaidColumn & { y: number } => {
    const laid = { column, x: y, y, isFrozen: index < frozenCount };
    y += column.width;
    return laid;
  });
});
const tableWidth = computed(() => layout.laid.value.reduce((sum, column) => sum + column.width, tickPx));
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

const range = useCellRange(
  () => sorted.value,
  () => layout.laid.value,
);
const { inHand } = range;

/** What lies out of sight is brought into it: there would be nothing there to have the focus. */
function showCell(cell: CellAt): void {
  const at = range.spot(cell);
  const [grid, column] = [box.value, at && laidColumns.value[at.column]];
  if (!grid || !at || !column) return;
  const top = at.row * rowPx;
  const [seenTop, seenBottom] = [grid.scrollTop, grid.scrollTop + height.value - 2 * rowPx];
  if (top < seenTop) grid.scrollTop = top;
  else if (top > seenBottom) grid.scrollTop = top - height.value + 3 * rowPx;
  if (column.isFrozen) return;
  const frozenPx = laidColumns.value[frozenCount]?.x ?? 0;
  const right = column.x + column.column.width;
  if (column.x < grid.scrollLeft + frozenPx) grid.scrollLeft = column.x - frozenPx;
  else if (right > grid.scrollLeft + width.value) grid.scrollLeft = right - width.value;
}
const cellAt = ({ rowId, key }: CellAt) =>
  box.value?.querySelector<HTMLElement>(`[data-cell="${CSS.escape(`${rowId} ${key}`)}"]`);
const isInHand = ({ rowId, key }: CellAt): boolean =>
  inHand.value?.rowId === rowId && inHand.value.key === key;
async function go(cell: CellAt, extend: boolean): Promise<void> {
  range.take(cell, extend);
  showCell(cell);
  // Rows follow the scroll a frame later.
  await nextTick();
  requestAnimationFrame(() => {
    // Keys that follow quickly have gone on meanwhile; their own frame brings the focus.
    if (isInHand(cell)) cellAt(cell)?.focus({ preventScroll: true });
  });
}

const isHandInSight = computed(() => shownRows.value.some(({ row }) => row.id === inHand.value?.rowId));
// The cell that leaves sight lends its element to another one, which nobody put the focus on.
watch(isHandInSight, (isSeen) => {
  const { activeElement } = document;
  if (!isSeen && activeElement instanceof HTMLElement && activeElement.matches('[data-cell]'))
    activeElement.blur();
});

// A row that is to be changed is brought into sight, or there would be no field to type in.
watch(editing, (cell) => cell && showCell(cell), { flush: 'post' });

function cellOf(event: Event): { rowId: string; column: ShownColumn } | null {
  const target = (event.target as HTMLElement).closest<HTMLElement>('[data-cell]');
  const [rowId, key] = (target?.dataset['cell'] ?? '').split(' ');
  const column = columns.find((one) => one.key === key);
  return rowId && column ? { rowId, column } : null;
}
function onFocus(event: FocusEvent): void {
  const cell = cellOf(event);
  if (!cell) return;
  const at = { rowId: cell.rowId, key: cell.column.key };
  if (!isInHand(at)) range.take(at, false);
}
function onCellKey(event: KeyboardEvent): void {
  const cell = cellOf(event);
  if (!cell) return;
  const next = event.altKey ? null : range.towards(event, Math.max(1, Math.floor(height.value / rowPx) - 2));
  if (next) void go(next, event.shiftKey);
  else if ((event.ctrlKey || event.metaKey) && event.key === 'd')
    emit('write', fillDown(range.block.value, own.measures), 'filled down');
  else return onKey(event, cell.rowId, cell.column);
  event.preventDefault();
  event.stopPropagation();
}
function onDouble(event: MouseEvent): void {
  const cell = cellOf(event);
  if (cell) begin(cell.rowId, cell.column);
}

// With the mouse: pressed on one cell, let go on another; or another one with Shift.
let isPulling = false;
function onPress(event: PointerEvent): void {
  const cell = cellOf(event);
  if (!cell || event.button !== 0) return;
  isPulling = event.pointerType === 'mouse';
  if (!event.shiftKey) return;
  event.preventDefault();
  void go({ rowId: cell.rowId, key: cell.column.key }, true);
}
function onOver(event: PointerEvent): void {
  const cell = isPulling && event.buttons === 1 ? cellOf(event) : null;
  if (cell && inHand.value && (inHand.value.rowId !== cell.rowId || inHand.value.key !== cell.column.key))
    void go({ rowId: cell.rowId, key: cell.column.key }, true);
}
useEventListener(window, 'pointerup', () => {
  isPulling = false;
});

function onCopy(event: ClipboardEvent): void {
  if (!cellOf(event)) return;
  const words = wordsOfBlock(range.block.value, own.measures);
  event.clipboardData?.setData('text/plain', Papa.unparse(words, { delimiter: '\t', newline: '\n' }));
  event.preventDefault();
}
const hasCell = (): boolean =>
  inHand.value !== null && editing.value === null && box.value?.contains(document.activeElement) === true;
/** Puts a pasted table over the cells selected; says whether there were any. */
function pasteText(text: string): boolean {
  if (!hasCell()) return false;
  const { data } = Papa.parse<string[]>(text.replace(/\r?\n$/, ''), { delimiter: '\t' });
  const all = { rows: sorted.value, columns: layout.laid.value };
  emit('write', pasteInto(all, range.block.value, data), 'pasted');
  return true;
}
defineExpose({ pasteText, hasCell });

/** Until a cell was in hand Tab leads into a row in sight; the same one for a while as the rows go by, so that few are drawn anew for it. */
const rowsToAnchor = 8;
const anchorId = computed(() => {
  const first = shownRows.value.find(({ y }) => (y / rowPx) % rowsToAnchor === 0) ?? shownRows.value[0];
  return first?.row.id;
});
function tabKey(rowId: string): string | null {
  if (inHand.value) return inHand.value.rowId === rowId ? inHand.value.key : null;
  return rowId === anchorId.value ? layout.laid.value[0]!.key : null;
}
const blockWords = computed(() => {
  const { rows: high, columns: wide } = range.block.value;
  return range.isSeveral.value ? `${high.length} × ${wide.length} cells selected` : '';
});
</script>

<template>
  <div class="table">
    <div
      ref="box"
      class="grid"
      role="grid"
      :aria-rowcount="rows.length + 1"
      :aria-colcount="columns.length + 1"
      @focusin="onFocus"
      @keydown="onCellKey"
      @dblclick="onDouble"
      @pointerdown="onPress"
      @pointerover="onOver"
      @copy="onCopy"
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
          :aria-sort="
            { up: 'ascending' as const, down: 'descending' as const, none: 'none' as const }[
              sortedBy(column.key) ?? 'none'
            ]
          "
        >
          <HeadCell
            :column="column"
            :sorted="sortedBy(column.key)"
            @sort="orderBy(column.key)"
            @step="(by) => layout.step(column.key, by)"
            @move="(key) => layout.move(key, column.key)"
            @widen="(px) => layout.widen(column.key, px)"
          />
        </div>
      </div>
      <div class="body" :style="{ width: `${tableWidth}px`, height: `${rows.length * rowPx}px` }">
        <ListRow
          v-for="{ row, y, place } in shownRows"
          :key="place"
          :row="row"
          :columns="shownColumns"
          :y="y"
          :width="tableWidth"
          :is-picked="isPicked.has(row.id)"
          :edited="editing?.rowId === row.id ? editing.key : null"
          :tab-key="tabKey(row.id)"
          :in-block="range.keysIn(row.id)"
          @pick="pick(row.id)"
        />
      </div>
      <p v-if="rows.length === 0" class="dim none">Nothing matches “{{ search }}”.</p>
    </div>
    <div class="foot">
      <p class="block tiny" role="status">{{ blockWords }}</p>
      <button v-if="layout.isOwn.value" type="button" class="btn small own" @click="layout.reset">
        Reset columns
      </button>
    </div>
  </div>
</template>

<style scoped>
.table {
  display: flex;
  flex-direction: column;
  height: 100%;
}
.foot {
  display: flex;
  gap: 10px;
  align-items: center;
}
.foot:has(.block:not(:empty), .own) {
  padding: 4px 7px;
  border-top: 1px solid var(--rule);
}
.grid {
  flex: 1;
  min-height: 0;
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
  font-size: 11px;
  color: var(--ink-2);
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
.body :deep(.cell) {
  user-select: none;
}
.none {
  padding: 14px;
}
</style>
