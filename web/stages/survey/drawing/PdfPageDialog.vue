<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { onBeforeUnmount, ref, shallowRef, watch } from 'vue';
import DialogFoot from '../../../parts/DialogFoot.vue';
import FieldRow from '../../../parts/FieldRow.vue';
import QuantityField from '../../../parts/QuantityField.vue';
import { openPdf, type OpenedPdf } from './pdfPages';

/** Which page of a PDF is the floor plan, and at which scale it was drawn, where the sheet says so. */
const { file } = defineProps<{ file: File }>();
const emit = defineEmits<{ pick: [picture: Blob, paperWidthMm: number, ratio: number | null]; leave: [] }>();
const pdf = shallowRef<Extract<OpenedPdf, { kind: 'pdf' }> | null>(null);
const page = ref(1);
const ratio = ref<number | null>(null);
const seen = ref('');
const problem = ref('');
const busy = ref(true);
const previewPx = 700;

async function load(): Promise<void> {
  const opened = await openPdf(new Uint8Array(await file.arrayBuffer()));
  if (opened.kind === 'refused') problem.value = opened.why;
  else pdf.value = opened;
  busy.value = false;
}
void load();
onBeforeUnmount(() => {
  URL.revokeObjectURL(seen.value);
  pdf.value?.close();
});
watch([pdf, page], async ([opened, number]) => {
  if (!opened) return;
  try {
    const { blob } = await opened.draw(number, previewPx);
    if (number !== page.value) return;
    URL.revokeObjectURL(seen.value);
    seen.value = URL.createObjectURL(blob);
  } catch (error) {
    problem.value = (error as Error).message;
  }
});
async function take(): Promise<void> {
  if (!pdf.value || busy.value) return;
  busy.value = true;
  try {
    const { blob, paperWidthMm } = await pdf.value.draw(page.value);
    emit('pick', blob, paperWidthMm, ratio.value);
  } catch (error) {
    problem.value = (error as Error).message;
  }
  busy.value = false;
}
const step = (by: number) => {
  page.value = Math.min(pdf.value?.pages ?? 1, Math.max(1, page.value + by));
};
</script>

<template>
  <Dialog
    visible
    modal
    header="Which page is the plan?"
    :style="{ width: '560px' }"
    @update:visible="emit('leave')"
  >
    <form class="pages" @submit.prevent="take">
      <p v-if="busy && !pdf" class="dim" role="status">Opening the PDF…</p>
      <template v-if="pdf">
        <img v-if="seen" :src="seen" :alt="`Page ${page} of the PDF`" />
        <div class="row">
          <button type="button" class="btn small" :disabled="page === 1" @click="step(-1)">
            Page before
          </button>
          <QuantityField
            :value="page"
            unit=""
            label="Page"
            :allowed="
              (value) =>
                Number.isInteger(value) && value >= 1 && value <= (pdf?.pages ?? 1)
                  ? undefined
                  : `from 1 to ${pdf?.pages}`
            "
            @take="(value) => (page = value)"
          />
          <span class="dim">of {{ pdf.pages }}</span>
          <button type="button" class="btn small" :disabled="page === pdf.pages" @click="step(1)">
            Next page
          </button>
        </div>
        <FieldRow
          label="Drawing scale, 1 to"
          hint="As in the title block, for paper at its original size. Leave empty to set the scale from two points."
          ><QuantityField
            :value="ratio"
            unit=""
            label="Drawing scale, 1 to"
            placeholder="100"
            clearable
            :allowed="(value) => (value >= 1 && value <= 10000 ? undefined : 'from 1 to 10000')"
            @take="(value) => (ratio = value)"
            @clear="ratio = null"
        /></FieldRow>
      </template>
      <DialogFoot
        :problems="problem ? [problem] : []"
        go="Use this page"
        :held="!pdf || busy"
        @leave="emit('leave')"
      />
    </form>
  </Dialog>
</template>

<style scoped>
.pages {
  display: grid;
  gap: 8px;
}
img {
  max-width: 100%;
  max-height: 46vh;
  margin: 0 auto;
  border: 1px solid var(--rule-strong);
  background: #fff;
}
.row {
  align-items: center;
  gap: 8px;
}
</style>
