<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import { computed, ref } from 'vue';
import type { Agreement } from '#core/signoff/agreement';
import type { FoundByConverter } from '#core/signoff/converter';
import { severityWords, statusWords, type CheckState, type ThingState } from '#core/signoff/acceptance';
import { acceptanceCheckOf, notePunchItem, type AcceptanceFound } from '#core/model/site';
import TextField from '../../parts/TextField.vue';
import { idMark } from '../../stores/idMark';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import { useSignOff } from '../../stores/signOff';
import CheckEntry from './CheckEntry.vue';
import ConverterEntry from './ConverterEntry.vue';

/** One thing with everything that is asked of it: what is wanted, what was predicted, what was read, and the field to read it anew. */
const { thing, agreement, title } = defineProps<{
  thing: ThingState;
  agreement: Agreement;
  title: string;
}>();
const store = useSite();
const openSite = useOpenSite();
const signOff = useSignOff();
const problem = ref('');
const conditions = ref('');
/** What somebody reads with goes on being what he reads with. */
const instrument = useLocalStorage('neotrope-signoff-instrument', '');
const serial = useLocalStorage('neotrope-signoff-serial', '');
const open = computed(() => thing.punch.filter(({ closed }) => !closed));

const take = (check: CheckState, found: AcceptanceFound, readBy?: string): void => {
  // What was read by a device or out of a file says itself by what.
  const own = readBy === undefined && instrument.value !== '';
  problem.value = signOff.read(thing, check.check, found, {
    ...(readBy ? { instrument: readBy } : own ? { instrument: instrument.value } : {}),
    ...(own && serial.value ? { serial: serial.value } : {}),
    ...(conditions.value ? { conditions: conditions.value } : {}),
  });
};
const asked = computed(() => thing.checks.map(({ check }) => check));
/** Only a coax with converters has a rate of its own. */
const hasConverters = computed(() => asked.value.includes('throughput') && asked.value.includes('soak'));
function takeAll(told: readonly FoundByConverter[], readBy: string): void {
  problem.value = signOff.readAll(thing, told, {
    instrument: readBy,
    ...(conditions.value ? { conditions: conditions.value } : {}),
  });
}
const outlier = (check: CheckState): string =>
  agreement.outliers.find((one) => one.cameraId === thing.of.id && one.check === check.check)?.reason ?? '';

/** A check that does not hold goes on the punch list, with what was read. */
function punch({ check, found, message }: CheckState): void {
  const { label } = acceptanceCheckOf(check);
  const what = found ? `${label}: ${found}. ${message}` : `${label}: not read`;
  const item = { of: thing.of, check, severity: 'below-need' as const, what: what.slice(0, 300) };
  problem.value = store
    .change(`Punch list: ${title}`, [notePunchItem(openSite.value, item, signOff.doing(), idMark)])
    .map(({ allowed }) => allowed)
    .join('; ');
}
const hasItem = ({ check }: CheckState): boolean => open.value.some((item) => item.check === check);
</script>

<template>
  <aside class="thing" :aria-label="`Checks of ${title}`">
    <header>
      <h2>{{ title }}</h2>
      <p class="dim tiny">
        {{ statusWords[thing.status]
        }}{{ thing.accepted ? `, by ${thing.accepted.signedBy} on ${thing.accepted.at.slice(0, 10)}` : '' }}
      </p>
    </header>
    <p v-if="problem" class="stop" role="alert">{{ problem }}</p>
    <TextField
      :value="conditions"
      label="Conditions of the readings"
      placeholder="Conditions: rain, tide, what else was on"
      @take="(text) => (conditions = text)"
    />
    <div class="with" :class="{ named: instrument }">
      <TextField
        :value="instrument"
        label="Instrument of the readings"
        placeholder="Instrument, where not the usual one"
        :refuse="(text) => (text.length <= 80 ? undefined : 'up to 80 characters')"
        @take="(text) => (instrument = text)"
      />
      <TextField
        v-if="instrument"
        :value="serial"
        label="Serial of the instrument"
        placeholder="Serial"
        :refuse="(text) => (text.length <= 40 ? undefined : 'up to 40 characters')"
        @take="(text) => (serial = text)"
      />
    </div>
    <ConverterEntry v-if="hasConverters" :key="thing.of.id" :asked="asked" @take="takeAll" />
    <CheckEntry
      v-for="check in thing.checks"
      :key="check.check"
      :state="check"
      :outlier="outlier(check)"
      :on-list="hasItem(check)"
      @take="(found, readBy) => take(check, found, readBy)"
      @punch="punch(check)"
    />
    <section v-if="open.length > 0" class="items">
      <h3>On the punch list</h3>
      <p v-for="item in open" :key="item.id" class="tiny">
        <b>{{ severityWords[item.severity] }}</b> {{ item.what }}{{ item.owner ? `, ${item.owner}` : ''
        }}{{ item.due ? ` by ${item.due}` : '' }}
      </p>
    </section>
  </aside>
</template>

<style scoped>
.with {
  display: grid;
  gap: 4px;
  margin: 4px 0 6px;
}
.with.named {
  grid-template-columns: minmax(0, 1fr) minmax(0, 0.5fr);
}
.thing {
  border-left: 1px solid var(--rule-strong);
  background: var(--sheet);
  padding: 8px 12px;
}
header {
  padding-bottom: 6px;
}
h2 {
  font-size: 15px;
}
.items {
  padding-top: 10px;
}
h3 {
  font-size: 12px;
}
@media (max-width: 1000px) {
  .thing {
    border: 1px solid var(--rule-strong);
  }
}
</style>
