<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import { computed, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { labelSheets, type OrderRow, type PickRow } from '#core/cutover/lists';
import type { NightNow, NightsNow } from '#core/evaluate';
import { aboutOf } from '#core/model/site';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import { useEvaluation } from '../../stores/evaluation';
import { today } from '../../papers/today';
import { usePdf } from '../../papers/usePdf';
import { useMeasures } from '../../stores/measures';
import { dateWords } from '../../parts/dateWords';
import { useNights } from '../../stores/nights';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import { downloadBlob, useTables } from '../../tables/useTables';

/** What goes out of the nights: cards, lists, labels and the calendar. */
const { now } = defineProps<{ now: NightsNow }>();
const store = useSite();
const openSite = useOpenSite();
const nights = useNights();
const evaluation = useEvaluation();
const own = useMeasures();
const router = useRouter();
const problem = ref('');

const date = ref('');
const night = computed(() => now.nights.find((one) => one.date === date.value) ?? now.nights[0] ?? null);
const nightNumber = (one: NightNow) => now.nights.indexOf(one) + 1;
const choices = computed(() =>
  now.nights.map((one) => ({ value: one.date, label: `Night ${nightNumber(one)}, ${dateWords(one.date)}` })),
);
const camerasOf = (one: NightNow): string[] => {
  const ids = new Set(one.jobs.map(({ job }) => job.id));
  return now.tasks.flatMap(({ id, kind, cameraId }) =>
    ids.has(id) && kind === 'swap' && cameraId ? [cameraId] : [],
  );
};
const picks = shallowRef<PickRow[]>([]);
const orders = shallowRef<OrderRow[]>([]);
watch(
  [night, () => now],
  async () => {
    const of = night.value;
    picks.value = of ? ((await evaluation.pickList(camerasOf(of))) ?? []) : [];
    orders.value =
      (await evaluation.orderList(
        now.nights.flatMap((one) => camerasOf(one).map((id): [string, string] => [id, one.date])),
      )) ?? [];
  },
  { immediate: true },
);

const siteName = computed(() => aboutOf(openSite.value).name);
const fileName = (what: string, ending: string) =>
  `${siteName.value} ${what}`.toLowerCase().replace(/[^a-z0-9]+/g, '-') + `.${ending}`;
const tables = useTables();
/** Whatever cannot be written is said; nothing else is lost by it. */
async function write(what: string, ending: string, make: () => Promise<Blob>): Promise<void> {
  problem.value = '';
  try {
    downloadBlob(await make(), fileName(what, ending));
  } catch (error) {
    problem.value = `The ${what} could not be written: ${error instanceof Error ? error.message : String(error)}`;
  }
}
const pickRows = () =>
  picks.value.map(({ label, count, spare }) => ({ What: label, Count: count, 'Spare of it': spare }));
const orderRows = () =>
  orders.value.map(({ label, count, neededBy }) => ({
    What: label,
    Count: count,
    'Needed by': neededBy ?? '',
  }));
const asText = (rows: Record<string, string | number>[]): Record<string, string>[] =>
  rows.map((row) => Object.fromEntries(Object.entries(row).map(([key, value]) => [key, String(value)])));
const headings = { picks: ['What', 'Count', 'Spare of it'], orders: ['What', 'Count', 'Needed by'] };
const csv = (what: string, heads: string[], rows: Record<string, string | number>[]) =>
  write(what, 'csv', async () => new Blob([await tables.rowsCsv(heads, asText(rows))], { type: 'text/csv' }));
const xlsx = (what: string, heads: string[], rows: Record<string, string | number>[]) =>
  write(what, 'xlsx', () => tables.rowsXlsx(what, heads, rows));
const pickName = computed(() => (night.value ? `pick list night ${nightNumber(night.value)}` : ''));

const page = (name: string, params: object, query = {}): string =>
  window.location.origin + router.resolve({ name, params: { siteId: store.id, ...params }, query }).href;
const minuteMs = 60_000;
const calendar = () =>
  write('nights', 'ics', async () => {
    const { nightCalendar } = await import('./nightCalendar');
    const text = nightCalendar(now, {
      siteId: store.id,
      siteName: siteName.value,
      address: aboutOf(openSite.value).address,
      pageOf: () => page('cutover', {}, { view: 'tonight' }),
      sequence: Math.floor(Date.parse(store.savedAt ?? '2020-01-01T00:00:00Z') / minuteMs),
      titleOf: nights.titleOf,
      clock: nights.clock,
    });
    return new Blob([text], { type: 'text/calendar' });
  });

const sheetId = useLocalStorage('neotrope-label-sheet', labelSheets[0]!.id);
const sheets = labelSheets.map(({ id, label }) => ({ value: id, label }));
const allNights = 'all';
const labelsOf = ref(allNights);
const labelChoices = computed(() => [{ value: allNights, label: 'All nights' }, ...choices.value]);
/** A paper of a night, or of all nights, laid out on pages. */
const printPaper = (id: 'labels' | 'work', what: string, of: string) =>
  write(what, 'pdf', async () => {
    const paper = await evaluation.paper(id, today(), of === allNights ? undefined : of);
    if (!paper) throw new Error('the site is not worked out yet');
    const blob = await pdf.make(paper, {
      locale: navigator.language || 'en-GB',
      measures: { ...own.measures },
      pageSize: paperSize.value,
      labelSheet: sheetId.value,
    });
    if (!blob) throw new Error('it was stopped');
    return blob;
  });
const paperSize = useLocalStorage<'A4' | 'LETTER'>('neotrope-paper-size', 'A4');
const pdf = usePdf();
const printLabels = () => printPaper('labels', 'labels', labelsOf.value);
const printCard = (one: NightNow) => printPaper('work', `night ${nightNumber(one)}`, one.date);
</script>

<template>
  <div class="papers">
    <p v-if="problem" class="stop" role="alert">{{ problem }}</p>
    <p v-if="!night" class="empty">
      <strong>No night is agreed yet.</strong>Plan the nights; then their papers are here.
    </p>
    <template v-else>
      <section class="columns">
        <div>
          <h2>Of one night</h2>
          <FieldRow label="Night"
            ><PickField
              :value="night.date"
              :choices="choices"
              label="Night of the list"
              @take="(one) => (date = one)"
          /></FieldRow>
          <div class="row acts">
            <button type="button" class="btn go" @click="printCard(night)">Night card as PDF</button>
            <button type="button" class="btn" @click="xlsx(pickName, headings.picks, pickRows())">
              Pick list, XLSX
            </button>
            <button type="button" class="btn" @click="csv(pickName, headings.picks, pickRows())">CSV</button>
          </div>
          <table aria-label="Pick list">
            <thead>
              <tr>
                <th>Taken along</th>
                <th class="num">Count</th>
                <th class="num">Spare of it</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="row in picks" :key="row.label">
                <td>{{ row.label }}</td>
                <td class="num mono">{{ row.count }}</td>
                <td class="num mono">{{ row.spare || '' }}</td>
              </tr>
            </tbody>
          </table>
        </div>
        <div>
          <h2>Of all nights</h2>
          <div class="row acts">
            <button type="button" class="btn" @click="calendar">Calendar, ICS</button>
            <button type="button" class="btn" @click="xlsx('order list', headings.orders, orderRows())">
              Order list, XLSX
            </button>
            <button type="button" class="btn" @click="csv('order list', headings.orders, orderRows())">
              CSV
            </button>
          </div>
          <table aria-label="Order list">
            <thead>
              <tr>
                <th>To order or book</th>
                <th class="num">Count</th>
                <th>Needed by</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="row in orders" :key="row.label">
                <td>{{ row.label }}</td>
                <td class="num mono">{{ row.count }}</td>
                <td class="mono">{{ row.neededBy ? dateWords(row.neededBy) : 'no night yet' }}</td>
              </tr>
            </tbody>
          </table>
          <h2 class="labels">Labels</h2>
          <FieldRow label="Runs of"
            ><PickField
              :value="labelsOf"
              :choices="labelChoices"
              label="Labels of which night"
              @take="(one) => (labelsOf = one)"
          /></FieldRow>
          <FieldRow label="Sheet" hint="A4, printed at its own size, without fitting to the page."
            ><PickField
              :value="sheetId"
              :choices="sheets"
              label="Sheet of labels"
              @take="(id) => (sheetId = id)"
          /></FieldRow>
          <div class="row acts">
            <button type="button" class="btn" @click="printLabels">Labels for both ends, PDF</button>
          </div>
          <p class="tiny dim">Each carries the address of its run here as a square that a phone reads.</p>
        </div>
      </section>
    </template>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 28px;
}
.acts {
  flex-wrap: wrap;
  padding: 8px 0;
}
.labels {
  padding-top: 16px;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-weight: 500;
  font-size: 11px;
  color: var(--ink-2);
  border-bottom: 1px solid var(--rule-strong);
}
td {
  padding: 2px 8px 2px 0;
  border-bottom: 1px solid var(--rule);
  font-size: 12px;
}
th.num,
td.num {
  text-align: right;
  padding-right: 14px;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
