<script setup lang="ts">
import { computed, ref } from 'vue';
import { foundByConverter, type FoundByConverter } from '#core/signoff/converter';
import { soakFromCounters } from '#core/signoff/soak';
import { acceptanceCheckOf, type AcceptanceCheckId } from '#core/model/site';
import { hourHere } from '../../parts/hourHere';
import AllowHost from '../../parts/AllowHost.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { whole } from '../../parts/within';
import { api } from '../../stores/api';
import { useSite } from '../../stores/site';

/** What the converters of a coax say themselves: their line test and their counters, read in one go. */
const { asked } = defineProps<{ asked: readonly AcceptanceCheckId[] }>();
const emit = defineEmits<{ take: [told: FoundByConverter[], instrument: string] }>();
const store = useSite();
const isOpen = ref(false);
const address = ref('');
const link = ref<number | null>(null);
const isReading = ref(false);
const problem = ref('');
const closedHost = ref<string | null>(null);
const taken = ref('');
const canRead = computed(() => address.value.trim() !== '' && link.value !== null && !isReading.value);

async function open(): Promise<void> {
  isOpen.value = true;
  const answer = await api.converters();
  if (answer.kind === 'answer' && answer.value.standIn && !address.value)
    address.value = answer.value.standIn;
}

async function read(): Promise<void> {
  if (link.value === null) return;
  const number = link.value;
  [isReading.value, taken.value, problem.value] = [true, '', ''];
  const answer = await api.readConverter({
    site: store.id,
    address: address.value.trim(),
    link: number,
  });
  isReading.value = false;
  closedHost.value = answer.kind === 'refusal' ? answer.refusal.host : null;
  if (answer.kind !== 'answer') {
    problem.value =
      answer.kind === 'refusal' ? answer.refusal.detail : 'The server does not answer. Nothing was read.';
    return;
  }
  const { link: found, counters } = answer.value;
  const soak = soakFromCounters(counters, hourHere);
  const told = foundByConverter(found, soak.ok ? soak.value : null, asked);
  if (told.length > 0) emit('take', told, `converters, link ${number}`);
  taken.value = told.map(({ check }) => acceptanceCheckOf(check).label.toLowerCase()).join('; ');
  problem.value = [
    ...(found.isUp ? [] : [`Link ${number} is down: its figures are not taken.`]),
    ...(found.isUp && !found.lineTest ? ['Its line was never tested: start the test on the unit.'] : []),
    ...(soak.ok ? [] : [`Its counters make no soak: ${soak.problems.join(' ')}`]),
  ].join(' ');
}
</script>

<template>
  <div class="converters">
    <button v-if="!isOpen" type="button" class="btn small" @click="open">From the converters</button>
    <form v-else class="row" @submit.prevent="read">
      <input
        v-model="address"
        class="address"
        aria-label="Address of the converters"
        placeholder="host:port"
      />
      <QuantityField
        :value="link"
        unit=""
        label="Link of the converters"
        placeholder="link"
        :allowed="whole(1, 64)"
        @take="(value) => (link = value)"
      />
      <button type="submit" class="btn small" :disabled="!canRead">Read the converters</button>
      <AllowHost v-if="closedHost" :host="closedHost" @allowed="read" />
    </form>
    <p v-if="taken" class="dim tiny" role="status">Read: {{ taken }}.</p>
    <p v-if="problem" class="stop tiny" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.converters {
  padding: 0 0 6px;
}
.row {
  gap: 6px;
  align-items: center;
  flex-wrap: wrap;
}
.row :deep(.quantity) {
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
