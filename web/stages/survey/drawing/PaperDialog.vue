<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { computed, ref } from 'vue';
import { onPaper, papers, planLists, planSvg, type PaperId } from '#core/survey/drawing';
import type { Drawing, Site } from '#core/model/site';
import FieldRow from '../../../parts/FieldRow.vue';
import PickField from '../../../parts/PickField.vue';
import { pictureAddress } from '../../../stores/api';
import { useMeasures } from '../../../stores/measures';
import { downloadBlob } from '../../../tables/useTables';
import { pictureData } from './pictureData';

/** The drawing as it goes on paper: printed to scale, or as a file that stands alone. */
const { site, drawing } = defineProps<{ site: Site; drawing: Drawing }>();
const emit = defineEmits<{ leave: [] }>();
const own = useMeasures();
const paper = ref<PaperId>('a4');
const problem = ref('');
const busy = ref(false);
const choices = (Object.keys(papers) as PaperId[]).map((value) => ({ value, label: papers[value].label }));

const placed = computed(() => onPaper(drawing, paper.value));
const svgWith = (picture: string): string => planSvg(site, drawing, picture, placed.value, own.measures);
const shown = computed(() => svgWith(pictureAddress(drawing.fileId)));
const lists = computed(() => planLists(site, drawing, own.measures));
const says = computed(() =>
  placed.value.ratio === null
    ? 'Not to scale: set the scale of the drawing first.'
    : `1 : ${placed.value.ratio} on ${papers[paper.value].label}. Print at 100 %, without “fit to page”.`,
);
const fileName = computed(() => drawing.name.replace(/[^\p{L}\p{N} -]+/gu, '').trim() || 'plan');

const print = (): void => window.print();
async function make(kind: 'svg' | 'pdf'): Promise<void> {
  problem.value = '';
  busy.value = true;
  try {
    const picture = await pictureData(drawing, kind === 'pdf');
    if (kind === 'svg')
      downloadBlob(new Blob([svgWith(picture)], { type: 'image/svg+xml' }), `${fileName.value}.svg`);
    else {
      const { planPdf } = await import('./planPdf');
      downloadBlob(
        await planPdf(svgWith(picture), placed.value, paper.value, lists.value),
        `${fileName.value}.pdf`,
      );
    }
  } catch {
    problem.value = 'The picture of the drawing could not be read. Is the server there?';
  }
  busy.value = false;
}
</script>

<template>
  <Dialog
    visible
    modal
    :header="`Print or export ${drawing.name}`"
    :style="{ width: '720px' }"
    @update:visible="emit('leave')"
  >
    <div class="paper">
      <!-- Made here from the site, every text in it escaped. -->
      <!-- eslint-disable-next-line vue/no-v-html -->
      <div class="preview" role="img" :aria-label="`${drawing.name} as it prints`" v-html="shown" />
      <div class="row">
        <FieldRow label="Paper"
          ><PickField :value="paper" :choices="choices" label="Paper" @take="(one) => (paper = one)"
        /></FieldRow>
        <span class="dim tiny">{{ says }}</span>
        <span class="push" />
        <button type="button" class="btn" :disabled="busy" @click="make('svg')">SVG</button>
        <button type="button" class="btn" :disabled="busy" @click="make('pdf')">PDF</button>
        <button type="button" class="btn go" @click="print">Print</button>
      </div>
      <p v-if="problem" class="caution" role="alert">{{ problem }}</p>
    </div>
    <Teleport to="body">
      <div class="only-printed">
        <component :is="'style'"
          >@media print { @page { size: {{ papers[paper].label }} landscape; } }</component
        >
        <!-- eslint-disable-next-line vue/no-v-html -->
        <div v-html="shown" />
        <section v-for="list in lists" :key="list.heading">
          <h2>{{ list.heading }}</h2>
          <table>
            <thead>
              <tr>
                <th v-for="column in list.columns" :key="column">{{ column }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(row, index) in list.rows" :key="index">
                <td v-for="(cell, at) in row" :key="at">{{ cell }}</td>
              </tr>
            </tbody>
          </table>
        </section>
      </div>
    </Teleport>
  </Dialog>
</template>

<style scoped>
.paper {
  display: grid;
  gap: 10px;
}
.preview {
  background: #fff;
  border: 1px solid var(--rule-strong);
  padding: 8px;
}
.preview :deep(svg) {
  display: block;
  width: 100%;
  height: auto;
  max-height: 52vh;
}
.preview :deep(text) {
  font-family: var(--face);
}
.row {
  align-items: center;
}
</style>

<style>
.only-printed {
  display: none;
}
@media print {
  body:has(> .only-printed) > :not(.only-printed) {
    display: none !important;
  }
  .only-printed {
    display: block;
  }
  .only-printed text {
    font-family: var(--face);
  }
  .only-printed section {
    break-before: page;
  }
  .only-printed table {
    width: 100%;
    border-collapse: collapse;
  }
  .only-printed th,
  .only-printed td {
    padding: 3px 6px;
    border-bottom: 1px solid #ccc;
    text-align: left;
  }
}
</style>
