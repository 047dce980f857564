<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import { computed, ref, useTemplateRef } from 'vue';
import { heldBack, testDefinition, tests, type TestDefinition } from '#core/findings';
import { markState, takeReading, type RunState, type TestId } from '#core/site';
import { useKeys } from '../../keys/keys';
import RunLine from '../../line/RunLine.vue';
import PickField from '../../parts/PickField.vue';
import TextField from '../../parts/TextField.vue';
import { choices } from '#core/words';
import { useSelection } from '../../stores/selection';
import { useSite } from '../../stores/site';
import { useWhyPanel } from '../../stores/whyPanel';
import ReadingHistory from './ReadingHistory.vue';
import VerdictRow from './VerdictRow.vue';

const store = useSite();
const selection = useSelection();
const why = useWhyPanel();
const instrument = useLocalStorage('neotrope-instrument', 'Bench meter 1');
const problem = ref('');
const table = useTemplateRef('table');

const evaluation = computed(() => selection.current);
const verdicts = computed(() => evaluation.value?.findings.verdicts ?? []);
const headEnd = computed(() => {
  const patch = evaluation.value?.run.patchedTo;
  return patch ? `input ${patch.input}` : 'head end';
});
const stopped = computed(() => verdicts.value.find(({ state }) => state === 'stop'));
const next = computed<TestDefinition | undefined>(() => {
  const missing = evaluation.value?.findings.missing[0];
  return missing ? testDefinition(missing) : undefined;
});

function definitionOf(id: string): TestDefinition | undefined {
  return tests.find((test) => test.id === id);
}
function heldBackBy(id: string): string | undefined {
  const test = definitionOf(id);
  if (!test || !evaluation.value) return undefined;
  if (stopped.value && !id.startsWith('foreign')) return 'stopped: dangerous volts';
  return heldBack(test, evaluation.value.run.state);
}

const nextSays = computed(() => {
  if (!next.value || !evaluation.value) return '';
  const held = heldBack(next.value, evaluation.value.run.state);
  return held ? `Before it: ${held}, prove it, and mark the run so above.` : next.value.connect;
});

function take(test: TestId, value: number): void {
  const run = evaluation.value?.run;
  if (!run) return;
  const change = takeReading({ run, test, value, by: store.person.trim() || 'Surveyor', instrument: instrument.value, at: new Date().toISOString(), mark: crypto.randomUUID().slice(0, 8) });
  const refused = store.change(`Read ${testDefinition(test).label}, run ${evaluation.value!.camera.number}`, [change]);
  problem.value = refused[0] ? `${refused[0].path}: ${refused[0].allowed}` : '';
}

/** Enter moves on to the next reading that may be taken. */
function moveOn(from: HTMLElement | null): void {
  const fields = [...(table.value?.querySelectorAll<HTMLInputElement>('input:not([disabled])') ?? [])];
  const at = fields.findIndex((field) => from?.contains(field));
  fields[at + 1]?.focus();
}

function setState(state: RunState): void {
  const run = evaluation.value?.run;
  if (run) store.change(`Run ${evaluation.value!.camera.number} is ${state}`, [markState(run, state)]);
}

const ask = (id: (typeof verdicts.value)[number]['id']) => evaluation.value && why.ask({ kind: 'verdict', runId: evaluation.value.run.id, id });
useKeys([
  { keys: ['w'], says: 'why the run stands so', group: 'Test', run: () => { if (evaluation.value) ask(evaluation.value.findings.binding.id); } },
  { keys: ['r', 'Enter'], says: 'take the next reading', group: 'Test', run: () => table.value?.querySelector<HTMLInputElement>('input:not([disabled])')?.focus() },
  { keys: ['l'], says: 'mark live', group: 'Test', run: () => setState('live') },
  { keys: ['i'], says: 'mark isolated', group: 'Test', run: () => setState('isolated') },
  { keys: ['d'], says: 'mark disconnected', group: 'Test', run: () => setState('disconnected') },
]);
</script>

<template>
  <div v-if="!evaluation" class="empty"><strong>Pick a run to test.</strong>Choose it on the left, or press <kbd>j</kbd> for the first one. Hatched bars are runs that nobody has tested yet.</div>
  <div v-else class="test">
    <div class="row head">
      <h1>{{ evaluation.camera.number }} {{ evaluation.camera.name }}</h1>
      <span class="dim">{{ evaluation.camera.purpose }}</span>
      <span class="push" />
      <label class="state">The run is <PickField :value="evaluation.run.state" :choices="choices.runState" label="State of the run" @take="setState" /></label>
    </div>
    <p v-if="stopped" class="stop" role="alert">{{ stopped.says }}</p>
    <RunLine :evaluation="evaluation" :head-end="headEnd" />
    <table ref="table">
      <thead><tr><th class="n" /><th>Reading</th><th class="num">read</th><th class="num">expected</th><th /><th>means</th></tr></thead>
      <tbody>
        <VerdictRow
          v-for="(verdict, index) in verdicts" :key="`${evaluation.run.id}-${verdict.id}`" :number="index + 1" :verdict="verdict" :test="definitionOf(verdict.id)" :held-back="heldBackBy(verdict.id)"
          :asked="why.subject?.kind === 'verdict' && why.subject.id === verdict.id" @take="(value) => verdict.id !== 'picture' && take(verdict.id, value)" @entered="moveOn" @why="ask(verdict.id)"
        />
      </tbody>
    </table>
    <p v-if="problem" class="caution" role="alert">{{ problem }}</p>
    <p v-if="next" class="next"><b>Next: {{ next.label.charAt(0).toLowerCase() + next.label.slice(1) }}.</b> {{ nextSays }}</p>
    <p v-else class="next"><b>Tested.</b> {{ evaluation.findings.binding.label }}: {{ evaluation.findings.binding.says }}.</p>
    <div class="foot">
      <ReadingHistory :run-id="evaluation.run.id" />
      <div class="by"><label>Read by <TextField :value="store.person" label="Read by" @take="(text) => (store.person = text)" /></label><label>with <TextField :value="instrument" label="Instrument" @take="(text) => (instrument = text)" /></label></div>
      <p class="tiny dim">Foreign voltage first, always. Prove dead before cutting or joining; mains work is for licensed people, under the local code.</p>
    </div>
  </div>
</template>

<style scoped>
.test { height: calc(100% + 14px); padding-bottom: 14px; overflow: hidden auto; display: flex; flex-direction: column; gap: 8px; scrollbar-width: thin; }
.test > * { flex: none; }
.head { align-items: center; }
.state { display: flex; gap: 8px; align-items: center; color: var(--ink-2); white-space: nowrap; }
table { border-collapse: collapse; width: 100%; }
th { text-align: left; font-weight: 500; font-size: 11px; color: var(--ink-2); padding: 3px 8px; border-bottom: 1px solid var(--rule-strong); }
th.num { text-align: right; }
.n { width: 22px; }
.next { border-left: 3px solid var(--copper); padding: 6px 12px; background: var(--copper-3); }
.foot { display: grid; gap: 8px; }
.by { display: flex; gap: 18px; color: var(--ink-2); }
.by label { display: flex; gap: 6px; align-items: center; white-space: nowrap; }
@media (max-width: 700px) {
  .test { height: auto; overflow: visible; }
  .head { flex-wrap: wrap; }
  .push { display: none; }
  .state :deep(.p-select) { min-height: 40px; align-items: center; }
  thead { display: none; }
  table, tbody { display: block; }
  .by { flex-direction: column; gap: 6px; }
}
</style>
