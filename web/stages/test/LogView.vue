<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue';
import type { RunSummary } from '#core/evaluate';
import { changedAt, isOutdated, readingWords } from '#core/test/readings';
import { strikeOut, type Reading, testDefinition } from '#core/model/site';
import type { ForeignTable } from '#core/survey/lists';
import TextField from '../../parts/TextField.vue';
import { useSite } from '../../stores/site';
import { useOpenSite } from '../../stores/openSite';
import { useTables } from '../../tables/useTables';
import ImportReadingsDialog from './ImportReadingsDialog.vue';
import ReadingsOverTime from './ReadingsOverTime.vue';
import { useTaking } from './taking';

/** Every reading of a run as it was taken: struck out, never edited. */
const { evaluation } = defineProps<{ evaluation: RunSummary }>();
const store = useSite();
const openSite = useOpenSite();
const { surveyor } = useTaking();
const striking = ref<string | null>(null);

const readings = computed(() =>
  Object.values(openSite.value.reading)
    .filter((reading) => reading.runId === evaluation.run.id)
    .sort((a, b) => Date.parse(b.at) - Date.parse(a.at)),
);
const changed = computed(() => changedAt(openSite.value));
const when = (at: string) => new Date(at).toLocaleString([], { dateStyle: 'short', timeStyle: 'short' });
const reasonAllowed = (text: string) =>
  text.length > 0 && text.length <= 200 ? undefined : 'say why, in up to 200 characters';

/** A table of readings, of this run and others, as a meter or a colleague gives it. */
const importing = shallowRef<{ table: ForeignTable; remarks: string[] } | null>(null);
const refused = ref('');
const tables = useTables();
async function open(read: ReturnType<typeof tables.read>): Promise<void> {
  const result = await read;
  refused.value = result.kind === 'refused' ? result.why : '';
  if (result.kind === 'table') importing.value = { table: result.table, remarks: result.remarks };
}
async function chosen(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  input.value = '';
  if (file) await open(tables.read(new Uint8Array(await file.arrayBuffer())));
}
function pasted(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData('text') ?? '';
  if (event.target instanceof HTMLInputElement || text.split('\n').length < 2) return;
  void open(tables.readText(text));
}

function strike(reading: Reading, why: string): void {
  store.change(`Strike out ${testDefinition(reading.test).label}`, [
    strikeOut(reading, why, surveyor(), new Date().toISOString()),
  ]);
  striking.value = null;
}
</script>

<template>
  <div class="log" tabindex="-1" @paste="pasted">
    <div class="row tools">
      <label class="btn small file"
        >Import readings<input
          type="file"
          accept=".csv,.tsv,.txt,.xlsx"
          aria-label="Readings to import"
          @change="chosen"
      /></label>
      <span class="dim tiny"
        >CSV or XLSX: run, test, value; or a column for each test. Or paste rows with their headings
        here.</span
      >
    </div>
    <p v-if="refused" class="caution" role="alert">{{ refused }}</p>
    <ImportReadingsDialog
      v-if="importing"
      :table="importing.table"
      :remarks="importing.remarks"
      @done="importing = null"
    />
    <p v-if="readings.length === 0" class="empty">
      <strong>No reading of this run yet.</strong>Take the first one at the Bench: foreign voltage.
    </p>
    <template v-else>
      <ReadingsOverTime :readings="readings" />
      <table aria-label="Readings of this run">
        <thead>
          <tr>
            <th>When</th>
            <th>Reading</th>
            <th>found</th>
            <th>by</th>
            <th>with</th>
            <th>conditions</th>
            <td />
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="reading in readings"
            :key="reading.id"
            :class="{ struck: reading.struck, outdated: isOutdated(reading, changed) }"
          >
            <td class="mono when">{{ when(reading.at) }}</td>
            <td class="what">
              {{ testDefinition(reading.test).label
              }}<span v-if="isOutdated(reading, changed)" class="dim tiny"
                >, before the line was changed</span
              >
            </td>
            <td class="mono what">{{ readingWords(reading) }}</td>
            <td>{{ reading.by }}</td>
            <td>{{ reading.instrument }}{{ reading.serial ? `, ${reading.serial}` : '' }}</td>
            <td>
              {{
                [
                  reading.conditions,
                  reading.temperatureC === undefined ? '' : `cable ${reading.temperatureC} °C`,
                ]
                  .filter(Boolean)
                  .join('; ')
              }}
            </td>
            <td class="strike">
              <span v-if="reading.struck"
                >struck out: {{ reading.struck.why }}
                <span class="dim tiny">({{ reading.struck.by }}, {{ when(reading.struck.at) }})</span></span
              >
              <TextField
                v-else-if="striking === reading.id"
                value=""
                label="Why it is struck out"
                placeholder="Why? Then Enter"
                :refuse="reasonAllowed"
                autofocus
                @take="(why) => strike(reading, why)"
              />
              <button v-else type="button" class="btn small" @click="striking = reading.id">
                Strike out
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </template>
  </div>
</template>

<style scoped>
.tools {
  align-items: center;
}
.log {
  outline: none;
  display: grid;
  gap: 12px;
  align-content: start;
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: 12px;
}
th {
  text-align: left;
  font-weight: 500;
  font-size: 11px;
  color: var(--ink-2);
  padding: 3px 8px;
  border-bottom: 1px solid var(--rule-strong);
}
td {
  padding: 3px 8px;
  border-bottom: 1px solid var(--rule);
}
.when {
  white-space: nowrap;
}
.outdated {
  color: var(--ink-2);
}
.struck .what {
  text-decoration: line-through;
  color: var(--ink-3);
}
.strike {
  text-align: right;
}
@media (max-width: 700px) {
  thead {
    display: none;
  }
  table,
  tbody {
    display: block;
  }
  tr {
    display: grid;
    grid-template-columns: 1fr 1fr;
    border-bottom: 1px solid var(--rule);
    padding: 6px 0;
  }
  td {
    border: 0;
  }
}
</style>
