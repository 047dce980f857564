<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { computed, ref, shallowRef, toRaw, watch } from 'vue';
import {
  listOf,
  rowsOf,
  withHeadingsAt,
  type AskedWord,
  type Decided,
  type FileTable,
  type ListId,
  type Match,
  type Preview,
  type RowNews,
} from '#core/survey/lists';
import { counted } from '#core/shared/labels';
import DialogFoot from '../../../parts/DialogFoot.vue';
import FieldRow from '../../../parts/FieldRow.vue';
import PickField from '../../../parts/PickField.vue';
import { useOpenSite } from '../../../stores/openSite';
import { useSite } from '../../../stores/site';
import { useTables } from '../../../tables/useTables';
import { idMark } from '../../../stores/idMark';
import { useRememberedMatches } from './useRememberedMatches';

/** What an import would do, row by row, before anything is done. All of it happens, or nothing. */
const { list, table: whole, remarks } = defineProps<{ list: ListId; table: FileTable; remarks: string[] }>();
const emit = defineEmits<{ done: [] }>();
const store = useSite();
const openSite = useOpenSite();
const tables = useTables();

/** Every row of the file, and in which line its headings stand: found out, and a person may pick another. */
const fileRows = computed(() => rowsOf(whole));
const headingLine = ref(whole.headingLine);
const table = computed(() => withHeadingsAt(fileRows.value, headingLine.value));
const leftOut = shallowRef<number[]>([]);
const meanings = shallowRef<NonNullable<Decided['meanings']>[number][]>([]);
const newPlaces = shallowRef<string[]>([]);
const remembered = useRememberedMatches(() => list);
const mostHeadings = 25;
const headingChoices = computed(() =>
  fileRows.value.slice(0, mostHeadings).map(({ line, cells }) => ({
    value: line,
    label: `${line}: ${cells.filter((cell) => cell !== null && cell !== '').join(', ')}`.slice(0, 70),
  })),
);
const matches = shallowRef<Match[]>([]);
const preview = shallowRef<Preview | null>(null);
const problems = ref<string[]>([]);
const shown = ref<RowNews['kind'] | 'all'>('all');
const listLabel = computed(() => listOf(list).label.toLowerCase());

const ignore = 'leave out';
const keys = computed(() => [
  { value: ignore, label: '(left out)' },
  ...listOf(list)
    .columns.filter(({ key, write }) => write || listOf(list).keys.includes(key))
    .map(({ key, heading }) => ({ value: key, label: heading })),
]);
const example = (index: number) =>
  table.value.rows
    .map(({ cells }) => cells[index])
    .filter((cell) => cell !== null && cell !== '')
    .slice(0, 3)
    .join(', ');

async function look(): Promise<void> {
  preview.value = await tables.preview(toRaw(openSite.value), list, table.value, matches.value, idMark, {
    leftOut: leftOut.value,
    meanings: meanings.value,
    newPlaces: newPlaces.value,
  });
  if (preview.value.counts.refused > 0) shown.value = 'refused';
}
async function headAt(line: number): Promise<void> {
  [headingLine.value, leftOut.value, meanings.value, newPlaces.value] = [line, [], [], []];
  shown.value = 'all';
  matches.value = remembered.of(table.value.headings) ?? (await tables.match(list, table.value.headings));
  await look();
}
watch(
  () => whole,
  async () => headAt(await tables.headingLine(list, fileRows.value)),
  { immediate: true },
);
/** What stands in a list of words for one that is to be noted as a place. */
const asNew = ' new';
const wordsFor = ({ words, mayBeNew, text }: AskedWord) => [
  ...(mayBeNew ? [{ value: asNew, label: `add as a new place: “${text}”` }] : []),
  ...words,
];
const mayBeNew = computed(() => (preview.value?.asked ?? []).filter((one) => one.mayBeNew));
function makePlaces(names: readonly string[]): void {
  newPlaces.value = [...newPlaces.value, ...names];
  shown.value = 'all';
  void look();
}
/** Says once what a word of the file stands for. */
function mean({ key, text }: AskedWord, value: string): void {
  if (value === asNew) return makePlaces([text]);
  meanings.value = [...meanings.value, { key, text, value }];
  shown.value = 'all';
  void look();
}
const mostAsked = 12;
/** Leaves rows out by choice, or takes one in again. */
function leave(lines: readonly number[]): void {
  leftOut.value = [...new Set([...leftOut.value, ...lines])];
  shown.value = 'all';
  void look();
}
function takeIn(line: number): void {
  leftOut.value = leftOut.value.filter((one) => one !== line);
  void look();
}
const refusedLines = computed(() =>
  (preview.value?.rows ?? []).flatMap(({ kind, line }) => (kind === 'refused' ? [line] : [])),
);
function match(index: number, key: string): void {
  matches.value = matches.value.map((one, at) =>
    at === index
      ? { ...one, key: key === ignore ? null : key }
      : one.key === key
        ? { ...one, key: null }
        : one,
  );
  shown.value = 'all';
  void look();
}

const kinds = [
  { kind: 'all', label: 'all' },
  { kind: 'new', label: 'new' },
  { kind: 'changed', label: 'changed' },
  { kind: 'same', label: 'as they are' },
  { kind: 'refused', label: 'refused' },
  { kind: 'left-out', label: 'left out' },
] as const;
const mostShown = 300;
const rows = computed(() =>
  (preview.value?.rows ?? []).filter(({ kind }) => shown.value === 'all' || kind === shown.value),
);
const ready = computed(
  () =>
    preview.value !== null &&
    preview.value.counts.refused === 0 &&
    preview.value.problems.length === 0 &&
    preview.value.changes.length > 0,
);
const standing = computed(() => {
  if (!preview.value) return [];
  const { counts, changes, problems: whole } = preview.value;
  if (counts.refused > 0)
    return [
      `${counts.refused} row${counts.refused === 1 ? ' is' : 's are'} refused. Put them right in the file, or leave them out; nothing is applied until all fit.`,
    ];
  if (whole.length > 0) return whole;
  return changes.length === 0 ? ['Everything in this file is noted already.'] : problems.value;
});

function apply(): void {
  if (!preview.value || !ready.value) return;
  const { counts, changes } = preview.value;
  problems.value = store
    .change(`Import ${listLabel.value}: ${counts.new} new, ${counts.changed} changed`, changes)
    .map(({ path, allowed }) => `${path}: ${allowed}`);
  if (problems.value.length > 0) return;
  remembered.keep(table.value.headings, matches.value);
  emit('done');
}
</script>

<template>
  <Dialog
    visible
    modal
    :header="`Import ${listLabel}`"
    :style="{ width: '920px' }"
    @update:visible="emit('done')"
  >
    <form class="import" @submit.prevent="apply">
      <p v-for="remark in remarks" :key="remark" class="caution">{{ remark }}</p>
      <FieldRow label="Headings in line"
        ><PickField :value="headingLine" :choices="headingChoices" label="Headings in line" @take="headAt"
      /></FieldRow>
      <section>
        <h2 class="minor">Columns of the file</h2>
        <div class="columns">
          <label v-for="(heading, index) in table.headings" :key="index" class="column"
            ><span class="from" :title="heading">{{ heading || '(no heading)' }}</span
            ><PickField
              :value="matches[index]?.key ?? ignore"
              :choices="keys"
              :label="`Column ${heading || index + 1} is`"
              @take="(key) => match(index, key)"
            /><span class="dim tiny example">{{ example(index) }}</span></label
          >
        </div>
      </section>
      <section v-if="preview && preview.asked.length > 0">
        <h2 class="minor">Words of the file that are not known</h2>
        <div class="columns">
          <label
            v-for="one in preview.asked.slice(0, mostAsked)"
            :key="`${one.key} ${one.text}`"
            class="column"
            ><span class="from"
              >“{{ one.text }}”
              <span class="dim tiny">{{ one.heading }}, {{ counted(one.rows, 'row') }}</span></span
            ><PickField
              :value="null"
              :choices="wordsFor(one)"
              :label="`“${one.text}” is`"
              placeholder="pick what it is"
              @take="(value) => mean(one, value)"
          /></label>
        </div>
        <button
          v-if="mayBeNew.length > 1"
          type="button"
          class="btn small"
          @click="makePlaces(mayBeNew.map(({ text }) => text))"
        >
          Add all {{ mayBeNew.length }} as new places
        </button>
      </section>
      <section v-if="preview" class="news">
        <div class="row">
          <h2 class="minor">What it would do</h2>
          <button
            v-for="{ kind, label } in kinds"
            :key="kind"
            type="button"
            class="plain dim kind"
            :aria-pressed="shown === kind"
            @click="shown = kind"
          >
            {{ label }} {{ kind === 'all' ? preview.rows.length : preview.counts[kind] }}
          </button>
          <button v-if="refusedLines.length > 0" type="button" class="btn small" @click="leave(refusedLines)">
            Leave out what is refused
          </button>
        </div>
        <ul class="rows">
          <li v-for="row in rows.slice(0, mostShown)" :key="row.line" :data-kind="row.kind">
            <span class="mono dim line">{{ row.line }}</span><b>{{ row.what }}</b>
            <span v-if="row.kind === 'same'" class="dim">as it is</span>
            <span v-else-if="row.kind === 'refused'" class="why"
              >{{ row.why.join('; ') }}
              <button type="button" class="plain out" @click="leave([row.line])">leave it out</button></span
            >
            <span v-else-if="row.kind === 'left-out'" class="dim"
              >left out
              <button type="button" class="plain out" @click="takeIn(row.line)">take it in</button></span
            >
            <span v-else
              ><em v-if="row.kind === 'new'">new: </em
              ><template v-for="({ heading, before, after }, index) in row.cells" :key="heading"
                ><template v-if="index">, </template>{{ heading }}
                <s v-if="before !== null && before !== ''" class="dim">{{ before }}</s> {{ after }}</template
              ></span
            >
          </li>
          <li v-if="rows.length > mostShown" class="dim">… and {{ rows.length - mostShown }} more</li>
        </ul>
      </section>
      <p v-else class="dim" aria-busy="true">Looking at {{ table.rows.length }} rows…</p>
      <DialogFoot
        :problems="standing"
        :go="
          preview && ready ? `Apply ${counted(preview.counts.new + preview.counts.changed, 'row')}` : 'Apply'
        "
        :held="!ready"
        @leave="emit('done')"
      />
    </form>
  </Dialog>
</template>

<style scoped>
.import {
  display: grid;
  gap: 10px;
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  gap: 8px 14px;
  padding-top: 6px;
  max-height: 190px;
  overflow: auto;
}
.column {
  display: grid;
  gap: 2px;
  min-width: 0;
}
.from {
  font-weight: 500;
}
.from,
.example {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.kind[aria-pressed='true'] {
  color: var(--ink);
  font-weight: 600;
  text-decoration: underline;
  text-underline-offset: 3px;
}
.rows {
  height: 250px;
  overflow: auto;
  border: 1px solid var(--rule-strong);
  margin-top: 4px;
  background: var(--paper);
}
.rows li {
  display: flex;
  gap: 10px;
  padding: 3px 8px;
  border-bottom: 1px solid var(--rule);
}
.rows b {
  flex: none;
  width: 190px;
  font-weight: 500;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.line {
  flex: none;
  width: 34px;
  text-align: right;
}
em {
  font-style: normal;
  color: var(--verdigris);
}
.out {
  text-decoration: underline;
  text-underline-offset: 2px;
}
.why {
  border-left: 3px solid var(--madder);
  padding-left: 8px;
}
</style>
