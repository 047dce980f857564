<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import { computed, provide, ref, shallowRef, toRaw, useTemplateRef, watch } from 'vue';
import {
  editBlock,
  editCells,
  hasHeadings,
  listIds,
  listOf,
  matching,
  removeRows,
  steadyRows,
  tableOf,
  type FileTable,
  type ListId,
  type ShownColumn,
  type ShownRow,
  type TypedCell,
} from '#core/survey/lists';
import { freeName, unseenPlace } from '#core/model/site';
import { useKeys } from '../../../keys/keys';
import PickField from '../../../parts/PickField.vue';
import TextField from '../../../parts/TextField.vue';
import { useMeasures } from '../../../stores/measures';
import { useSite } from '../../../stores/site';
import { useOpenSite } from '../../../stores/openSite';
import { downloadBlob, useTables } from '../../../tables/useTables';
import ImportDialog from './ImportDialog.vue';
import ListTable from './ListTable.vue';
import { listEditing, type Then } from './listEditing';
import { neighbour } from './neighbour';
import { idMark } from '../../../stores/idMark';

/** The survey as tables: seen at once, found, sorted, changed in place, one or many, and taken in and out. */
const { only = null } = defineProps<{
  /** Where one list stands by itself. */
  only?: ListId | null;
}>();
const store = useSite();
const openSite = useOpenSite();
const own = useMeasures();
const id = useLocalStorage<ListId>('neotrope-list', 'camera');
const search = ref('');
const picked = ref<readonly string[]>([]);
const editing = ref<{ rowId: string; key: string } | null>(null);
const problem = ref('');
const box = useTemplateRef('box');
const find = useTemplateRef<HTMLInputElement>('find');
const file = useTemplateRef<HTMLInputElement>('file');
const grid = useTemplateRef<{ pasteText: (text: string) => boolean; hasCell: () => boolean }>('grid');
const importing = shallowRef<{ table: FileTable; remarks: string[] } | null>(null);

/** Addresses stand in Connect, with what clashes among them. */
const surveyLists: readonly ListId[] = listIds.filter((one) => one !== 'address');
const table = computed(() =>
  tableOf(openSite.value, only ?? (surveyLists.includes(id.value) ? id.value : 'camera')),
);
const steady = computed<readonly ShownRow[]>((before = []) => steadyRows(before, table.value.rows));
const rows = computed(() => matching(steady.value, search.value));
// A row that an undo or another window takes away is not picked any more.
watch(steady, (now) => {
  const there = new Set(now.map((row) => row.id));
  if (picked.value.some((one) => !there.has(one)))
    picked.value = picked.value.filter((one) => there.has(one));
});

watch(id, () => {
  picked.value = [];
  editing.value = null;
  problem.value = '';
});

function put(rowIds: readonly string[], key: string, text: string): boolean {
  const edit = editCells(openSite.value, table.value.id, rowIds, key, text, own.measures.length);
  if (edit.kind === 'refused') {
    problem.value = edit.why;
    return false;
  }
  const refused = edit.changes.length > 0 ? store.change(edit.label.slice(0, 160), edit.changes) : [];
  problem.value = refused.map(({ allowed }) => allowed).join('; ');
  return refused.length === 0;
}

/** Many cells at once, as they were pasted or filled down: one edit, or none. */
function write(cells: TypedCell[], what: string): void {
  const edit = editBlock(openSite.value, table.value.id, cells, own.measures.length);
  if (edit.kind === 'refused') {
    problem.value = `Nothing was ${what}. ${edit.why}`;
    return;
  }
  const refused = edit.changes.length > 0 ? store.change(edit.label.slice(0, 160), edit.changes) : [];
  problem.value = refused.map(({ allowed }) => allowed).join('; ');
}
const cellAt = (rowId: string, key: string) =>
  box.value?.querySelector<HTMLElement>(`[data-cell="${CSS.escape(`${rowId} ${key}`)}"]`);
/** Back to the cells, unless the hand has gone on to another one meanwhile. */
function backTo(cell: () => HTMLElement | null | undefined): void {
  requestAnimationFrame(() => {
    if (!document.activeElement?.closest('[data-cell]')) cell()?.focus();
  });
}
function take(rowId: string, key: string, text: string, then: Then): void {
  if (!put([rowId], key, text)) return;
  editing.value = null;
  backTo(() => neighbour(cellAt(rowId, key), then) ?? cellAt(rowId, key));
}
function leave(rowId: string, key: string): void {
  editing.value = null;
  problem.value = '';
  backTo(() => cellAt(rowId, key));
}
function begin(rowId: string, column: ShownColumn): void {
  if (column.editable) editing.value = { rowId, key: column.key };
}
function onKey(event: KeyboardEvent, rowId: string, column: ShownColumn): void {
  if (event.key === ' ')
    picked.value = picked.value.includes(rowId)
      ? picked.value.filter((one) => one !== rowId)
      : [...picked.value, rowId];
  else if ((event.key === 'Enter' || event.key === 'F2') && column.editable) begin(rowId, column);
  else return;
  event.preventDefault();
  event.stopPropagation();
}

provide(listEditing, { editing, begin, take, leave, onKey });

// Many rows at once
const manyKey = ref<string | null>(null);
const editable = computed(() =>
  table.value.columns
    .filter((column) => column.editable && !column.isKey)
    .map(({ key, heading }) => ({ value: key, label: heading })),
);
const manyWords = computed(() => {
  const cell = table.value.columns.find(({ key }) => key === manyKey.value)?.cell;
  return cell?.kind === 'word'
    ? [...cell.words(openSite.value)].map(({ label }) => ({ value: label, label }))
    : cell?.kind === 'yes-no'
      ? [
          { value: 'yes', label: 'yes' },
          { value: 'no', label: 'no' },
        ]
      : null;
});
function putMany(text: string): void {
  if (manyKey.value && put(picked.value, manyKey.value, text)) picked.value = [];
}

function removePicked(): void {
  const removal = removeRows(openSite.value, table.value.id, picked.value);
  if (removal.kind === 'refused') problem.value = removal.why;
  else
    problem.value = store
      .change(`Remove ${picked.value.length} ${table.value.label.toLowerCase()}`, removal.changes)
      .map(({ allowed }) => allowed)
      .join('; ');
  if (!problem.value) picked.value = [];
}
/** A place is noted by its name alone; everything else of it follows. */
function addPlace(): void {
  const place = unseenPlace(
    openSite.value,
    freeName(
      Object.values(openSite.value.place).map(({ name }) => name),
      'New place',
    ),
    idMark,
  );
  search.value = '';
  problem.value = store
    .change(`Note ${place.name}`, [{ kind: 'place', id: place.id, set: place }])
    .map(({ allowed }) => allowed)
    .join('; ');
  if (!problem.value) editing.value = { rowId: place.id, key: 'name' };
}

// In and out
const tables = useTables();
async function open(read: ReturnType<typeof tables.read>): Promise<void> {
  const result = await read;
  problem.value = result.kind === 'refused' ? `${result.why} Nothing was changed.` : '';
  if (result.kind === 'table') importing.value = { table: result.table, remarks: result.remarks };
}
async function chosen(): Promise<void> {
  const picked = file.value?.files?.[0];
  if (!picked || !file.value) return;
  await open(tables.read(new Uint8Array(await picked.arrayBuffer())));
  file.value.value = '';
}
function onPaste(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData('text/plain') ?? '';
  if (
    (event.target as HTMLElement).matches('input, textarea') ||
    (!text.includes('\n') && !text.includes('\t') && !grid.value?.hasCell())
  )
    return;
  event.preventDefault();
  // Rows with their headings find their own places; cells alone go where the hand is.
  const lines = text.split(/\r?\n/, 1).map((line) => line.split('\t'));
  if (hasHeadings(table.value.id, lines) || !grid.value?.pasteText(text)) void open(tables.readText(text));
}
async function exportAs(kind: 'csv' | 'xlsx'): Promise<void> {
  const name = `${store.id}-${table.value.label.toLowerCase()}.${kind}`;
  const site = toRaw(openSite.value);
  downloadBlob(
    kind === 'csv'
      ? new Blob([await tables.csv(site, table.value.id)], { type: 'text/csv;charset=utf-8' })
      : await tables.xlsx(site, table.value.id),
    name,
  );
}

useKeys([{ keys: ['f'], label: 'find in the list', group: 'Lists', run: () => find.value?.focus() }]);
</script>

<template>
  <div class="lists" @paste="onPaste">
    <div class="row bar">
      <span v-if="!only" class="which" role="group" aria-label="Which list"
        ><button
          v-for="one in surveyLists"
          :key="one"
          type="button"
          class="plain"
          :aria-pressed="one === table.id"
          @click="id = one"
        >
          {{ listOf(one).label }}
        </button></span
      >
      <label class="find"
        ><span class="out-of-sight">Find in the list</span
        ><input ref="find" v-model="search" type="search" placeholder="Find"
      /></label>
      <span class="dim tiny">{{
        rows.length === table.rows.length
          ? `${rows.length} rows`
          : `${rows.length} of ${table.rows.length} rows`
      }}</span>
      <span class="push" />
      <input
        ref="file"
        type="file"
        accept=".csv,.tsv,.txt,.xlsx"
        class="out-of-sight"
        aria-label="Table to import"
        tabindex="-1"
        @change="chosen"
      />
      <button v-if="table.id === 'place'" type="button" class="btn" @click="addPlace">Add a place</button>
      <button type="button" class="btn" @click="file?.click()">Import…</button>
      <button type="button" class="btn" @click="exportAs('csv')">CSV</button>
      <button type="button" class="btn" @click="exportAs('xlsx')">XLSX</button>
    </div>
    <div v-if="picked.length > 0" class="row many">
      <span>Set in {{ picked.length }} row{{ picked.length === 1 ? '' : 's' }}</span>
      <PickField
        :value="manyKey"
        :choices="editable"
        label="Column to set"
        placeholder="which column"
        @take="(key) => (manyKey = key)"
      />
      <template v-if="manyKey">
        <span>to</span>
        <PickField
          v-if="manyWords"
          :key="manyKey"
          :value="null"
          :choices="manyWords"
          label="Value to set"
          placeholder="what"
          @take="putMany"
        />
        <span v-else class="value"
          ><TextField
            :key="manyKey"
            value=""
            label="Value to set"
            placeholder="type it, then Enter"
            @take="putMany"
        /></span>
      </template>
      <span class="push" /><button type="button" class="btn small" @click="removePicked">
        Remove {{ picked.length === 1 ? 'it' : 'them' }}</button
      ><button type="button" class="btn small" @click="picked = []">None</button>
    </div>
    <p v-if="problem" class="caution" role="alert">
      {{ problem }} <button type="button" class="plain underline" @click="problem = ''">Dismiss</button>
    </p>
    <div ref="box" class="box">
      <div v-if="table.rows.length === 0" class="empty">
        <strong>No {{ table.label.toLowerCase() }} yet.</strong>Import a CSV or XLSX table, paste rows from a
        spreadsheet here (headings first), or add a run on the board.
      </div>
      <ListTable
        v-else
        ref="grid"
        :key="table.id"
        v-model:picked="picked"
        :list="table.id"
        :columns="table.columns"
        :rows="rows"
        :search="search"
        @write="write"
      />
    </div>
    <p class="dim tiny">
      Arrows move, Shift and arrows select cells: <kbd>Ctrl C</kbd> copies, <kbd>Ctrl V</kbd> pastes,
      <kbd>Ctrl D</kbd> fills down. Enter changes a cell, Space picks rows. Rows pasted with their headings
      are imported. Lengths in the files are metres.
    </p>
    <ImportDialog
      v-if="importing"
      :list="table.id"
      :table="importing.table"
      :remarks="importing.remarks"
      @done="importing = null"
    />
  </div>
</template>

<style scoped>
.lists {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-height: 0;
}
.bar,
.many {
  align-items: center;
  flex-wrap: wrap;
}
.which {
  display: flex;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  overflow: hidden;
}
.which button {
  padding: 4px 11px;
}
.which button[aria-pressed='true'] {
  background: var(--copper-3);
  font-weight: 600;
  box-shadow: inset 0 -2px var(--copper);
}
.find input {
  width: 190px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  padding: 4px 8px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
}
.many {
  background: var(--copper-3);
  padding: 6px 10px;
}
.value {
  width: 180px;
}
.underline {
  text-decoration: underline;
}
.box {
  flex: 1;
  min-height: 0;
  border: 1px solid var(--rule-strong);
  background: var(--sheet);
}
.box .empty {
  padding: 24px;
}
</style>
