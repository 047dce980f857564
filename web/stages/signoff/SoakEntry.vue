<script setup lang="ts">
import { computed, ref } from 'vue';
import { soakFromCounters, soakFromTable, soakOf, type SoakFound } from '#core/signoff/soak';
import type { AcceptanceFound } from '#core/model/site';
import { hourHere } from '../../parts/hourHere';
import QuantityField from '../../parts/QuantityField.vue';
import { api } from '../../stores/api';
import { useSite } from '../../stores/site';
import { useTables } from '../../tables/useTables';

/** Hours under watch: typed, from a table of counters, or from the switch that counted. */
const emit = defineEmits<{ take: [found: AcceptanceFound, instrument?: string] }>();
const store = useSite();
const tables = useTables();
const hours = ref<number | null>(null);
const lostPercent = ref<number | null>(null);
const drops = ref<number | null>(null);
const problem = ref('');
const isReading = ref(false);
const address = ref('');
const port = ref<number | null>(null);
const isFromSwitch = ref(false);
/** What nobody entered is not taken for nothing lost. */
const entered = computed(() =>
  hours.value !== null && hours.value > 0 && lostPercent.value !== null && drops.value !== null
    ? { hours: hours.value, lostPercent: lostPercent.value, drops: drops.value }
    : null,
);

function typed(): void {
  if (!entered.value) return;
  emit('take', { kind: 'soak', ...entered.value, gapMinutes: 0 });
  [hours.value, lostPercent.value, drops.value, problem.value] = [null, null, null, ''];
}

function takeFound(found: SoakFound, instrument: string): void {
  problem.value = found.ok ? '' : found.problems.join(' ');
  if (found.ok) emit('take', found.value, instrument);
}

async function fromFile(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  if (!file) return;
  const read = await tables.read(new Uint8Array(await file.arrayBuffer()));
  input.value = '';
  if (read.kind === 'refused') {
    problem.value = read.why;
    return;
  }
  const samples = soakFromTable(read.table);
  if (samples.ok) takeFound(soakOf(samples.value, hourHere), `table ${file.name}`.slice(0, 80));
  else problem.value = samples.problems.join(' ');
}

async function offerSwitch(): Promise<void> {
  isFromSwitch.value = true;
  const answer = await api.switches();
  if (answer.kind === 'answer' && answer.value.standIn && !address.value)
    address.value = answer.value.standIn;
}
async function fromSwitch(): Promise<void> {
  if (!address.value.trim() || port.value === null) {
    problem.value = 'Enter the address of the switch and the port.';
    return;
  }
  isReading.value = true;
  const answer = await api.switchCounters({
    site: store.id,
    address: address.value.trim(),
    port: port.value,
  });
  isReading.value = false;
  if (answer.kind === 'answer')
    return takeFound(soakFromCounters(answer.value, hourHere), `switch, port ${port.value}`);
  problem.value =
    answer.kind === 'refusal' ? answer.refusal.detail : 'The server does not answer. Nothing was read.';
}
</script>

<template>
  <div class="soak">
    <div class="row">
      <QuantityField
        :value="hours"
        unit="h"
        label="Hours of the soak"
        placeholder="hours"
        @take="(value) => (hours = value)"
      />
      <QuantityField
        :value="lostPercent"
        unit="%"
        :digits="3"
        label="Packets lost in the soak"
        placeholder="lost"
        @take="(value) => (lostPercent = value)"
      />
      <QuantityField
        :value="drops"
        unit=""
        label="Drops in the soak"
        placeholder="drops"
        @take="(value) => (drops = Math.round(value))"
      />
    </div>
    <div class="row">
      <button type="button" class="btn small" :disabled="!entered" @click="typed">Take</button>
      <label class="btn small file"
        >From a table<input
          type="file"
          accept=".csv,.xlsx,text/csv"
          aria-label="Table of a soak"
          @change="fromFile"
      /></label>
      <button type="button" class="btn small" @click="offerSwitch">From the switch</button>
    </div>
    <div v-if="isFromSwitch" class="row">
      <input v-model="address" class="address" aria-label="Address of the switch" placeholder="host:port" />
      <QuantityField
        :value="port"
        unit=""
        label="Port"
        placeholder="port"
        @take="(value) => (port = value)"
      />
      <button type="button" class="btn small" :disabled="isReading" @click="fromSwitch">Read</button>
    </div>
    <p v-if="problem" class="stop" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.soak {
  display: grid;
  gap: 4px;
  width: 100%;
}
.row {
  gap: 6px;
  align-items: center;
  flex-wrap: wrap;
}
.soak .row :deep(.quantity) {
  width: 86px;
}
.address {
  flex: 1;
  min-width: 130px;
  max-width: 220px;
  min-height: 24px;
  border: 1px solid var(--rule-strong);
  background: var(--sheet);
  color: var(--ink);
}
.btn.small {
  min-height: 24px;
}
@media (max-width: 700px) {
  .address {
    min-height: 44px;
  }
}
</style>
