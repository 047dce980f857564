<script setup lang="ts">
import { computed, ref, useTemplateRef, watch } from 'vue';
import type { RunSummary, VerdictSummary } from '#core/evaluate';
import { interlock, isStopped, touchLimits } from '#core/test/findings';
import { readingsByRun } from '#core/test/readings';
import type { Diagnosis } from '#core/test/diagnosis';
import { type Found, type TestId, testDefinition, type TestDefinition } from '#core/model/site';
import { useKeys } from '../../keys/keys';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';
import { fitting } from '../../parts/within';
import { useInstrument } from '../../stores/instrument';
import { useSite } from '../../stores/site';
import { useOpenSite } from '../../stores/openSite';
import { useWhyPanel } from '../../stores/whyPanel';
import HookUpSketch from './HookUpSketch.vue';
import InstrumentBar from './InstrumentBar.vue';
import LinkDialog from './LinkDialog.vue';
import NextTestBox from './NextTestBox.vue';
import { useTaking } from './taking';
import { useExpectedReadings } from './useExpectedReadings';
import { useReading } from './useReading';
import VerdictRow from './VerdictRow.vue';

/** The tests of a run in their order, a row each: read, expected, and what it means. */
const { evaluation, diagnosis } = defineProps<{ evaluation: RunSummary; diagnosis: Diagnosis | null }>();
const emit = defineEmits<{ trace: [] }>();

const store = useSite();
const openSite = useOpenSite();
const why = useWhyPanel();
const { take: takeFound, instrument, serial, conditions, cableC, meterProved, problem } = useTaking();
const table = useTemplateRef('table');
const meter = useInstrument();
const { readable, read, readAll } = useReading();
const canBeRead = computed(() => readable(evaluation).length);
const expected = useExpectedReadings();
const inHand = ref<TestId | null>(null);
const linking = ref(false);

const readings = computed(() => readingsByRun(openSite.value).get(evaluation.run.id) ?? {});
const limits = computed(() => touchLimits(openSite.value, evaluation.run, evaluation.camera));
const rows = computed(() =>
  evaluation.findings.verdicts.map((verdict) => {
    const test = testDefinition(verdict.id);
    return {
      verdict,
      test,
      reading: readings.value[verdict.id],
      held: interlock(test, evaluation.run, readings.value, limits.value),
    };
  }),
);
watch(
  () => evaluation.run.id,
  () => (inHand.value = null),
);
/** The test whose way of connecting is shown: the one in hand, else the next one. */
const shown = computed<TestDefinition>(() =>
  testDefinition(
    inHand.value ?? evaluation.findings.missing[0] ?? diagnosis?.next[0]?.test.id ?? 'foreign-ac-volts',
  ),
);

function take(found: Found): void {
  takeFound(evaluation.run, evaluation.camera.number, found);
}

/** Enter moves on to the next reading that may be taken. */
function moveOn(from: HTMLElement | null): void {
  const fields = [
    ...(table.value?.querySelectorAll<HTMLInputElement>('.quantity input:not([disabled])') ?? []),
  ];
  const at = fields.findIndex((field) => from?.contains(field));
  fields[at + 1]?.focus();
}
const ask = (id: VerdictSummary['id']) => why.ask({ kind: 'verdict', runId: evaluation.run.id, id });

function openFor(test: TestDefinition): void {
  if (test.asks.kind === 'trace') emit('trace');
  else linking.value = true;
}
useKeys([
  {
    keys: ['a'],
    label: 'read all with the instrument',
    group: 'Bench',
    run: () => void readAll(evaluation.run.id),
  },
  {
    keys: ['r', 'Enter'],
    label: 'take the next reading',
    group: 'Bench',
    run: () => table.value?.querySelector<HTMLInputElement>('.quantity input:not([disabled])')?.focus(),
  },
]);
</script>

<template>
  <div class="bench">
    <label
      class="proved"
      title="Low volts read with a meter that was not proved do not show that a run is dead"
      ><input v-model="meterProved" type="checkbox" /> Foreign voltage: meter proved on a known source before
      and after</label
    >
    <table ref="table">
      <thead>
        <tr>
          <td class="n" />
          <th>Reading</th>
          <th class="num">read</th>
          <td />
          <th class="num">expected</th>
          <td />
          <th>means</th>
        </tr>
      </thead>
      <tbody>
        <VerdictRow
          v-for="({ verdict, test, reading, held }, index) in rows"
          :key="`${evaluation.run.id}-${verdict.id}`"
          :number="index + 1"
          :verdict="verdict"
          :test="test"
          :reading="reading"
          :expected="expected[verdict.id]"
          :held-back="held"
          :in-hand="shown.id === test.id"
          :asked="why.subject?.kind === 'verdict' && why.subject.id === verdict.id"
          :by-instrument="meter.canRead.has(test.id)"
          :busy="meter.busy !== null"
          @take="take"
          @entered="moveOn"
          @why="ask(verdict.id)"
          @hold="inHand = test.id"
          @read="read(evaluation, test.id)"
          @open="openFor(test)"
        />
      </tbody>
    </table>
    <p v-if="problem" class="caution" role="alert">{{ problem }}</p>
    <div class="below">
      <div class="left">
        <NextTestBox :evaluation="evaluation" :diagnosis="diagnosis" :readings="readings" :limits="limits" />
        <p class="tiny dim">
          Foreign voltage first, always. Prove dead before cutting or joining; mains work is for licensed
          people, under the local code.
        </p>
      </div>
      <div v-if="!isStopped(readings, limits)" class="how">
        <HookUpSketch :hook-up="shown.hookUp" />
        <p class="tiny">
          <b>{{ shown.label }}.</b> {{ shown.connect }}
        </p>
      </div>
    </div>
    <InstrumentBar :readable="canBeRead" @read-all="readAll(evaluation.run.id)" />
    <div class="by">
      <label
        >Read by
        <TextField :value="store.currentUser" label="Read by" @take="(text) => (store.currentUser = text)"
      /></label>
      <label
        >with <TextField :value="instrument" label="Instrument" @take="(text) => (instrument = text)"
      /></label>
      <label
        >serial <TextField :value="serial" label="Serial number" @take="(text) => (serial = text)"
      /></label>
      <label title="Of the cable, where loops are read: copper reads 4 % more for every ten degrees"
        >cable
        <QuantityField
          :value="cableC"
          unit="°C"
          label="Cable temperature"
          :allowed="fitting('reading', 'temperatureC', '°C')"
          clearable
          @take="(value) => (cableC = value)"
          @clear="cableC = null"
      /></label>
      <label class="wide"
        >conditions
        <TextField
          :value="conditions"
          label="Conditions"
          placeholder="dry, low tide, lamps off"
          @typed="(text) => (conditions = text)"
      /></label>
    </div>
    <LinkDialog v-model:visible="linking" @take="take" />
  </div>
</template>

<style scoped>
.proved {
  display: flex;
  gap: 8px;
  align-items: center;
  align-self: start;
}
.proved input {
  flex: none;
  width: 18px;
  height: 18px;
}
.bench {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-weight: 500;
  font-size: 11px;
  color: var(--ink-2);
  padding: 3px 8px;
  border-bottom: 1px solid var(--rule-strong);
}
th.num {
  text-align: right;
}
.n {
  width: 22px;
}
.below {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 14px;
  align-items: start;
}
.how,
.left {
  display: grid;
  gap: 4px;
  align-content: start;
}
.by {
  display: flex;
  gap: 6px 14px;
  color: var(--ink-2);
  flex-wrap: wrap;
}
.by label {
  display: flex;
  gap: 6px;
  align-items: center;
  white-space: nowrap;
}
.by label :deep(input) {
  width: 104px;
}
.by label :deep(.quantity) {
  width: 74px;
}
.by label :deep(.quantity input) {
  width: 100%;
}
.by label.wide {
  flex: 1;
}
.by label.wide :deep(input) {
  width: 100%;
}
@media (max-width: 1000px) {
  .below {
    grid-template-columns: 1fr;
  }
}
@media (max-width: 700px) {
  thead {
    display: none;
  }
  table,
  tbody {
    display: block;
  }
  .by {
    flex-direction: column;
  }
}
</style>
