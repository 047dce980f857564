<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import { computed, defineAsyncComponent, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { labelSheets } from '#core/cutover/lists';
import { tablesOf, type Paper, type PaperStyle } from '#core/documents';
import { useKeys } from '../../keys/keys';
import PickField from '../../parts/PickField.vue';
import { fileAddress, planCsvAddress } from '../../stores/api';
import { useMeasures } from '../../stores/measures';
import { useEvaluation } from '../../stores/evaluation';
import { useSite } from '../../stores/site';
import { today } from '../../papers/today';
import { usePdf } from '../../papers/usePdf';
import { downloadBlob, useTables } from '../../tables/useTables';
import PaperList from './PaperList.vue';
import PaperSheet from './PaperSheet.vue';
import { isPapersView, papersViews, type PapersView } from './views';

const OfferPanel = defineAsyncComponent(() => import('./OfferPanel.vue'));

/** Everything that goes out of a site on paper: as it reads, to print, as a PDF, as tables, as data. */
const route = useRoute();
const router = useRouter();
const store = useSite();
const evaluation = useEvaluation();
const tables = useTables();
const own = useMeasures();
const pdf = usePdf();
const view = computed<PapersView>(() => (isPapersView(route.query['view']) ? route.query['view'] : 'offer'));
const show = (next: PapersView) =>
  void router.push({ ...route, query: next === 'offer' ? {} : { view: next } });

const pageSize = useLocalStorage<PaperStyle['pageSize']>('neotrope-paper-size', 'A4');
const style = computed<PaperStyle>(() => ({
  locale: navigator.language || 'en-GB',
  pageSize: pageSize.value,
  measures: { ...own.measures },
  labelSheet: labelSheet.value,
}));
const labelSheet = useLocalStorage('neotrope-label-sheet', labelSheets[0]!.id);
const labelChoices = labelSheets.map(({ id, label }) => ({ value: id, label }));
const sizes = [
  { value: 'A4' as const, label: 'A4' },
  { value: 'LETTER' as const, label: 'Letter' },
];

const made = shallowRef<Paper | null>(null);
/** What is to be seen and written: never another paper than the one that was picked. */
const paper = computed(() => (made.value?.id === view.value ? made.value : null));
const problem = ref('');
let asked = 0;
async function look(): Promise<void> {
  const mine = (asked += 1);
  const answer = await evaluation.paper(view.value, today());
  // What was asked for later, or of a site that was edited meanwhile, is what is shown.
  if (mine === asked) made.value = answer;
}
watch([() => evaluation.result, view], look, { immediate: true });

const fileName = (ending: string): string =>
  `${paper.value?.site} ${paper.value?.title}`.toLowerCase().replace(/[^a-z0-9]+/g, '-') + `.${ending}`;

/** Whatever cannot be made is said; nothing is half written. */
async function write(make: () => Promise<Blob | null>, ending: string): Promise<void> {
  problem.value = '';
  if (!paper.value) return;
  try {
    const blob = await make();
    if (blob) downloadBlob(blob, fileName(ending));
  } catch (error) {
    problem.value = `The ${ending.toUpperCase()} cannot be made: ${error instanceof Error ? error.message : String(error)}`;
  }
}
const plain = (value: unknown) => JSON.parse(JSON.stringify(value)) as Paper;
const asPdf = () => write(() => pdf.make(plain(paper.value), style.value), 'pdf');
const asXlsx = () => write(async () => tables.paperXlsx(tablesOf(plain(paper.value))), 'xlsx');
const asCsv = () =>
  write(async () => new Blob([await tables.paperCsv(plain(paper.value))], { type: 'text/csv' }), 'csv');
const asJson = () =>
  write(
    () => Promise.resolve(new Blob([JSON.stringify(paper.value, null, 1)], { type: 'application/json' })),
    'json',
  );
const print = () => window.print();

useKeys([
  ...papersViews.map(({ id, label, key }) => ({
    keys: [key],
    label: label.toLowerCase(),
    group: 'Papers',
    run: () => show(id),
  })),
  { keys: ['f'], label: 'as a PDF', group: 'Papers', run: () => void asPdf() },
  { keys: ['x'], label: 'as a workbook', group: 'Papers', run: () => void asXlsx() },
]);
</script>

<template>
  <div class="papers">
    <div class="row head no-print">
      <h1>Papers</h1>
    </div>
    <div class="row tools no-print">
      <PickField
        v-if="view === 'labels'"
        :value="labelSheet"
        :choices="labelChoices"
        label="Sheet of labels"
        @take="(next) => (labelSheet = next)"
      />
      <PickField
        v-else
        :value="pageSize"
        :choices="sizes"
        label="Paper size"
        @take="(next) => (pageSize = next)"
      />
      <button v-if="pdf.isBusy.value" type="button" class="btn" @click="pdf.stop()">
        Pages are laid out… stop
      </button>
      <button v-else type="button" class="btn go" :disabled="!paper" @click="asPdf">PDF <kbd>f</kbd></button>
      <button type="button" class="btn" :disabled="!paper" @click="print">Print</button>
      <button type="button" class="btn" :disabled="!paper" @click="asXlsx">Workbook <kbd>x</kbd></button>
      <button type="button" class="btn" :disabled="!paper" @click="asCsv">CSV</button>
      <button type="button" class="btn" :disabled="!paper" @click="asJson">JSON</button>
      <span class="push" />
      <a v-if="view === 'plan'" class="btn" :href="planCsvAddress(store.id)" download>Plan as CSV</a>
      <a class="btn" :href="fileAddress(store.id)" download>Site file</a>
    </div>
    <p v-if="problem" class="stop" role="alert">{{ problem }}</p>
    <div class="body" :class="{ 'with-panel': view === 'offer' }">
      <PaperList class="list no-print" :view="view" @show="show" />
      <PaperSheet v-if="paper" class="sheet" :paper="paper" :style="style" />
      <p v-else class="empty" aria-busy="true">The paper is made…</p>
      <OfferPanel v-if="view === 'offer'" class="panel no-print" />
    </div>
  </div>
</template>

<style scoped>
.papers {
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
}
.head {
  gap: 4px 18px;
  flex-wrap: wrap;
}
.tools {
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 6px 0 10px;
}
.body {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 168px minmax(0, 1fr);
  gap: 14px;
}
.body.with-panel {
  grid-template-columns: 168px minmax(0, 1fr) 300px;
}
.sheet {
  overflow: hidden auto;
  scrollbar-width: thin;
}
.panel {
  overflow: hidden auto;
  scrollbar-width: thin;
}
.list {
  overflow: hidden auto;
  scrollbar-width: thin;
}
@media (max-width: 1000px) {
  .body,
  .body.with-panel {
    grid-template-columns: minmax(0, 1fr);
  }
  .papers {
    height: auto;
  }
  .sheet {
    overflow: auto;
  }
}
@media print {
  .body,
  .body.with-panel {
    display: block;
  }
  .sheet {
    overflow: visible;
  }
}
</style>
