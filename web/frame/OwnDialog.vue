<script setup lang="ts">
import Dialog from 'primevue/dialog';
import FieldRow from '../parts/FieldRow.vue';
import PickField from '../parts/PickField.vue';
import TextField from '../parts/TextField.vue';
import { useMeasures } from '../stores/measures';
import { usePerson } from '../stores/person';

/** Who works here, and how they like figures shown. Kept on this device; nothing stored in a site depends on it. */
const visible = defineModel<boolean>('visible', { required: true });
const own = useMeasures();
const person = usePerson();
const lengths = [{ value: 'm' as const, says: 'Metres' }, { value: 'ft' as const, says: 'Feet' }];
const gauges = [{ value: 'awg' as const, says: 'AWG' }, { value: 'mm2' as const, says: 'mm²' }];
</script>

<template>
  <Dialog v-model:visible="visible" modal header="You" :style="{ width: '340px' }" dismissable-mask>
    <FieldRow label="Your name"><TextField :value="person" label="Your name" @take="(name) => (person = name)" /></FieldRow>
    <FieldRow label="Lengths in"><PickField :value="own.measures.length" :choices="lengths" label="Lengths in" @take="(length) => (own.measures = { ...own.measures, length })" /></FieldRow>
    <FieldRow label="Cores in"><PickField :value="own.measures.gauge" :choices="gauges" label="Cores in" @take="(gauge) => (own.measures = { ...own.measures, gauge })" /></FieldRow>
    <p class="tiny dim">Both ways are read wherever you type: 40ft, 12.2 m. Your name stands beside readings and decisions.</p>
  </Dialog>
</template>
