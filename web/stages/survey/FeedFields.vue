<script setup lang="ts">
import { computed } from 'vue';
import {
  fedFrom,
  fedThrough,
  withAdapter,
  withFields,
  withSeparatePair,
  hasPowerCores,
  type PowerFeed,
  type FactUpdate,
  type Run,
} from '#core/model/site';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { fitting } from '../../parts/within';
import { choices } from '#core/model/labels';
import { useOpenSite } from '../../stores/openSite';
import PowerLeadFields from './PowerLeadFields.vue';

const { run } = defineProps<{ run: Run }>();
const emit = defineEmits<{ change: [what: string, next: FactUpdate<Run>] }>();
const openSite = useOpenSite();

const supplies = computed(() => Object.values(openSite.value.supply));
const sources = computed(() => [
  ...supplies.value.flatMap(({ id, name, outputs }) =>
    outputs.map(({ number }) => ({ value: `${id}/${number}`, label: `${name}, output ${number}` })),
  ),
  { value: 'adapter', label: 'Adapter at the camera' },
]);
const source = computed(() =>
  run.feed.kind === 'local-adapter' ? 'adapter' : `${run.feed.supplyId}/${run.feed.output}`,
);

function takeSource(value: string): void {
  const [supplyId = '', output = '1'] = value.split('/');
  emit('change', 'Power source', (now) =>
    fedFrom(now, value === 'adapter' ? null : { supplyId, output: Number(output) }),
  );
}

const ways: { value: PowerFeed['kind']; label: string }[] = [
  { value: 'along-run', label: 'The cores along this run' },
  { value: 'separate-pair', label: 'A separate pair' },
];
type Pair = Extract<PowerFeed, { kind: 'separate-pair' }>;
const pair = computed<Pair | null>(() => (run.feed.kind === 'separate-pair' ? run.feed : null));
const inputs = computed(() => [
  { value: 'none', label: 'Not patched' },
  ...Object.values(openSite.value.recorder).flatMap(({ id, name, inputs: count }) =>
    Array.from({ length: count }, (_, i) => ({ value: `${id}/${i + 1}`, label: `${name}, input ${i + 1}` })),
  ),
]);
const patched = computed(() =>
  run.patchedTo ? `${run.patchedTo.recorderId}/${run.patchedTo.input}` : 'none',
);
function takeInput(value: string): void {
  const [recorderId = '', input = '1'] = value.split('/');
  const patchedTo = value === 'none' ? undefined : { recorderId, input: Number(input) };
  emit('change', 'Recorder input', (now) => withFields(now, { patchedTo }));
}
</script>

<template>
  <FieldRow label="Fed from" field="feed"
    ><PickField :value="source" :choices="sources" label="Fed from" @take="takeSource"
  /></FieldRow>
  <template v-if="run.feed.kind === 'local-adapter'">
    <FieldRow label="Adapter" field="feed">
      <PickField
        :value="run.feed.current"
        :choices="choices.current"
        label="Adapter DC or AC"
        @take="(current) => emit('change', 'Adapter', (now) => withAdapter(now, { current }))"
      />
      <QuantityField
        :value="run.feed.volts"
        unit="V"
        label="Adapter volts"
        :allowed="fitting('run', 'feed[local-adapter].volts', 'V')"
        @take="(volts) => emit('change', 'Adapter volts', (now) => withAdapter(now, { volts }))"
      />
      <QuantityField
        :value="run.feed.ratedAmps"
        unit="A"
        label="Adapter amps"
        :allowed="fitting('run', 'feed[local-adapter].ratedAmps', 'A')"
        @take="(ratedAmps) => emit('change', 'Adapter amps', (now) => withAdapter(now, { ratedAmps }))"
      />
    </FieldRow>
  </template>
  <FieldRow v-else-if="hasPowerCores(run)" label="Through" field="feed"
    ><PickField
      :value="run.feed.kind"
      :choices="ways"
      label="Power comes through"
      @take="(way) => way !== 'local-adapter' && emit('change', 'Power path', (now) => fedThrough(now, way))"
  /></FieldRow>
  <PowerLeadFields
    v-if="pair"
    :lead="pair"
    called="separate pair"
    hint="Its own cable, not beside the coax."
    @take="(fields) => emit('change', 'Separate pair', (now) => withSeparatePair(now, fields))"
  />
  <FieldRow label="Patched to" field="patched"
    ><PickField :value="patched" :choices="inputs" label="Patched to" @take="takeInput"
  /></FieldRow>
</template>
