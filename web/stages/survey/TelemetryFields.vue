<script setup lang="ts">
import { computed } from 'vue';
import {
  baudRates,
  noteCamera,
  withFields,
  type Camera,
  type FactUpdate,
  type Telemetry,
} from '#core/model/site';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';
import YesNoField from '../../parts/YesNoField.vue';
import { fitting } from '../../parts/within';

/** How a turning camera is steered today: over its coax, or over a pair of its own with protocol, address and rate. */
const { camera } = defineProps<{ camera: Camera }>();
const emit = defineEmits<{ set: [what: string, next: FactUpdate<Camera>] }>();

type Bus = Extract<Telemetry, { kind: 'rs485' }>;
const bus = computed(() => (camera.telemetry?.kind === 'rs485' ? camera.telemetry : null));
const unknown = '-';
const routes = [
  { value: unknown, label: 'Not noted' },
  { value: 'coax', label: 'Over its coax' },
  { value: 'rs485', label: 'Over an RS-485 pair' },
];
const rates = baudRates.map((value) => ({ value, label: `${value} baud` }));
const note = (telemetry: Telemetry | undefined) =>
  emit('set', 'Steering', (now) => noteCamera(now, { telemetry }));
const takeRoute = (kind: string) => note(kind === unknown ? undefined : ({ kind } as Telemetry));
const setBus = (fields: { [K in keyof Bus]?: Bus[K] | undefined }) =>
  note(withFields<Bus>(bus.value!, fields));
</script>

<template>
  <FieldRow label="Steered"
    ><PickField
      :value="camera.telemetry?.kind ?? unknown"
      :choices="routes"
      label="Steered"
      @take="takeRoute"
  /></FieldRow>
  <template v-if="bus">
    <FieldRow label="Protocol"
      ><TextField
        :value="bus.protocol ?? ''"
        label="Protocol of the steering"
        placeholder="As the keyboard calls it"
        @take="(protocol) => setBus({ protocol: protocol || undefined })"
    /></FieldRow>
    <FieldRow label="Address and rate"
      ><QuantityField
        :value="bus.address ?? null"
        unit=""
        label="Address on the bus"
        clearable
        :allowed="fitting('camera', 'telemetry[rs485].address')"
        @take="(address) => setBus({ address })"
        @clear="setBus({ address: undefined })" /><PickField
        :value="bus.baud ?? null"
        :choices="rates"
        label="Rate of the bus"
        placeholder="rate"
        @take="(baud) => setBus({ baud })"
    /></FieldRow>
    <FieldRow label="Ends the bus" hint="Only the last camera of a bus has its resistor on."
      ><YesNoField
        :value="bus.terminated ?? false"
        label="Ends the bus"
        @take="(terminated) => setBus({ terminated })"
    /></FieldRow>
    <FieldRow label="Conductors"
      ><TextField
        :value="bus.conductors ?? ''"
        label="Conductors of the steering"
        placeholder="white A, green B"
        @take="(conductors) => setBus({ conductors: conductors || undefined })"
    /></FieldRow>
  </template>
</template>
