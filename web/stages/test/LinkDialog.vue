<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { reactive, ref } from 'vue';
import type { Found } from '#core/model/site';
import DialogFoot from '../../parts/DialogFoot.vue';
import FieldRow from '../../parts/FieldRow.vue';
import QuantityField from '../../parts/QuantityField.vue';

/** What a pair of converters showed on the run, taken as one reading. */
const visible = defineModel<boolean>('visible', { required: true });
const emit = defineEmits<{ take: [found: Found] }>();
const empty = { rateMbps: null, throughputMbps: null, lostPercent: 0, deliveredWatts: null };
const typed = reactive<{
  rateMbps: number | null;
  throughputMbps: number | null;
  lostPercent: number;
  deliveredWatts: number | null;
}>({ ...empty });
const why = ref('');

const rate = (value: number) => (value >= 0 && value <= 10_000 ? undefined : 'from 0 to 10 000');
const percent = (value: number) => (value >= 0 && value <= 100 ? undefined : 'from 0 to 100');
const watts = (value: number) => (value >= 0 && value <= 100 ? undefined : 'from 0 to 100');

function take(): void {
  const { rateMbps, throughputMbps, lostPercent, deliveredWatts } = typed;
  if (rateMbps === null || throughputMbps === null) {
    why.value = 'Rate and throughput are needed; 0 where there is no link.';
    return;
  }
  emit('take', {
    test: 'link',
    rateMbps,
    throughputMbps,
    lostPercent,
    ...(deliveredWatts === null ? {} : { deliveredWatts }),
  });
  Object.assign(typed, empty);
  why.value = '';
  visible.value = false;
}
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    header="Link over converters"
    :style="{ width: '360px' }"
    dismissable-mask
  >
    <form class="fields" @submit.prevent="take">
      <FieldRow label="Negotiated rate"
        ><QuantityField
          :value="typed.rateMbps"
          unit="Mb/s"
          label="Negotiated rate"
          :allowed="rate"
          autofocus
          @take="(value) => (typed.rateMbps = value)"
      /></FieldRow>
      <FieldRow label="Throughput"
        ><QuantityField
          :value="typed.throughputMbps"
          unit="Mb/s"
          label="Throughput"
          :allowed="rate"
          @take="(value) => (typed.throughputMbps = value)"
      /></FieldRow>
      <FieldRow label="Lost"
        ><QuantityField
          :value="typed.lostPercent"
          unit="%"
          label="Lost"
          :digits="2"
          :allowed="percent"
          @take="(value) => (typed.lostPercent = value)"
      /></FieldRow>
      <FieldRow label="Watts at the far end"
        ><QuantityField
          :value="typed.deliveredWatts"
          unit="W"
          label="Watts at the far end"
          :allowed="watts"
          clearable
          @take="(value) => (typed.deliveredWatts = value)"
          @clear="typed.deliveredWatts = null"
      /></FieldRow>
      <DialogFoot :problems="why ? [why] : []" go="Take the reading" @leave="visible = false" />
    </form>
  </Dialog>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 6px;
}
</style>
