<script setup lang="ts">
import { computed } from 'vue';
import type { Camera } from '#core/site';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';
import { choices } from '#core/words';
import { useSite } from '../../stores/site';

const { camera } = defineProps<{ camera: Camera }>();
const emit = defineEmits<{ change: [what: string, fields: Partial<Camera>] }>();
const store = useSite();

const places = computed(() => Object.values(store.site!.place).map(({ id, name }) => ({ value: id, says: name })));
const nameAllowed = (text: string) => (text.length >= 1 && text.length <= 80 ? undefined : 'from 1 to 80 characters');
const watts = (value: number) => (value >= 0 && value <= 500 ? undefined : 'from 0 to 500 W');
const volts = (value: number) => (value > 0 && value <= 60 ? undefined : 'more than 0, at most 60 V');
const setWatts = (fields: Partial<Camera['watts']>) => emit('change', 'Watts', { watts: { ...camera.watts, ...fields } });
const setWindow = (fields: Partial<Camera['supply']['window']>) => emit('change', 'Voltage window', { supply: { ...camera.supply, window: { ...camera.supply.window, ...fields, from: 'data-sheet' } } });
const currents = [{ value: 'dc' as const, says: 'DC' }, { value: 'ac' as const, says: 'AC' }];
</script>

<template>
  <FieldRow label="View"><TextField :value="camera.name" label="View" :refuse="nameAllowed" @take="(name) => emit('change', 'Name', { name })" /></FieldRow>
  <FieldRow label="Must see"><TextField :value="camera.purpose" label="Must see" @take="(purpose) => emit('change', 'Purpose', { purpose })" /></FieldRow>
  <FieldRow label="Place"><PickField :value="camera.placeId" :choices="places" label="Place" @take="(placeId) => emit('change', 'Place', { placeId })" /></FieldRow>
  <FieldRow label="Body"><PickField :value="camera.body" :choices="choices.body" label="Body" @take="(body) => emit('change', 'Body', { body })" /></FieldRow>
  <FieldRow label="Picture"><PickField :value="camera.format" :choices="choices.format" label="Picture format" @take="(format) => emit('change', 'Format', { format })" /></FieldRow>
  <FieldRow label="Line standard"><PickField :value="camera.lineStandard" :choices="choices.lineStandard" label="Line standard" @take="(lineStandard) => emit('change', 'Line standard', { lineStandard })" /></FieldRow>
  <FieldRow label="Lamps"><PickField :value="camera.lamps" :choices="choices.lamps" label="Lamps" @take="(lamps) => emit('change', 'Lamps', { lamps })" /></FieldRow>
  <FieldRow label="Watts, day">
    <QuantityField :value="camera.watts.day" unit="W" label="Watts by day" :allowed="watts" @take="(day) => setWatts({ day })" />
    <span class="dim">night</span>
    <QuantityField :value="camera.watts.night" unit="W" label="Watts by night" :allowed="watts" @take="(night) => setWatts({ night })" />
  </FieldRow>
  <FieldRow label="Takes">
    <PickField :value="camera.supply.current" :choices="currents" label="DC or AC" @take="(current) => emit('change', 'Supply', { supply: { ...camera.supply, current } })" />
    <QuantityField :value="camera.supply.window.minVolts" unit="V" label="Lowest volts" :allowed="volts" @take="(minVolts) => setWindow({ minVolts })" />
    <QuantityField :value="camera.supply.window.maxVolts" unit="V" label="Highest volts" :allowed="volts" @take="(maxVolts) => setWindow({ maxVolts })" />
  </FieldRow>
  <FieldRow label="Condition"><PickField :value="camera.worthKeeping" :choices="choices.worthKeeping" label="Condition" @take="(worthKeeping) => emit('change', 'Condition', { worthKeeping })" /></FieldRow>
  <FieldRow label="Successor"><PickField :value="camera.target" :choices="choices.target" label="Successor" @take="(target) => emit('change', 'Successor', { target })" /></FieldRow>
</template>
