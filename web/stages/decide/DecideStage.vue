<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { LightOption } from '#core/evaluation';
import { aboutOf, choose, optionKinds, takeBackChoice, type OptionKind } from '#core/site';
import { formatQuantity } from '#core/units';
import { useKeys } from '../../keys/keys';
import { useEvaluation } from '../../stores/evaluation';
import { useSelection } from '../../stores/selection';
import { useMeasures } from '../../stores/measures';
import { useSite } from '../../stores/site';
import DecideTable from './DecideTable.vue';
import OptionSheet from './OptionSheet.vue';

const store = useSite();
const own = useMeasures();
const evaluation = useEvaluation();
const selection = useSelection();
const kind = ref<OptionKind>('keep');
const refused = ref('');

watch(() => selection.runId, () => {
  refused.value = '';
  if (selection.current?.chosen) kind.value = selection.current.chosen;
}, { immediate: true });

const total = computed(() => evaluation.result!.total);
const left = computed(() => evaluation.result!.left);
const option = computed<LightOption | undefined>(() => selection.current?.options.find((one) => one.kind === kind.value));

function pick(runId: string, picked: OptionKind): void {
  kind.value = picked;
  refused.value = '';
  void selection.select(runId);
}
function across(by: number): void {
  const at = optionKinds.indexOf(kind.value);
  kind.value = optionKinds[Math.min(optionKinds.length - 1, Math.max(0, at + by))]!;
  refused.value = '';
}

function take(): void {
  const { current } = selection;
  if (!current || !option.value) return;
  if (option.value.state === 'no') refused.value = `Cannot be chosen: ${option.value.why}`;
  else if (option.value.state === 'fails') refused.value = `Cannot be chosen: ${option.value.broken?.limit ?? ''} What would make it possible: ${option.value.broken?.remedy ?? ''}.`;
  else {
    const problems = store.change(`Choose for ${current.camera.number} ${current.camera.name}`, choose(store.site!, current.camera.id, kind.value, store.person.trim() || 'Planner', new Date().toISOString()));
    refused.value = problems[0] ? `${problems[0].path}: ${problems[0].allowed}` : '';
  }
}
function giveUp(): void {
  const { current } = selection;
  if (current?.chosen) store.change(`Take back the choice for ${current.camera.number} ${current.camera.name}`, takeBackChoice(store.site!, current.camera.id));
}

useKeys([
  { keys: ['ArrowRight', 'h'], says: 'next option', group: 'Decide', run: () => across(1) },
  { keys: ['ArrowLeft', 'g'], says: 'option before', group: 'Decide', run: () => across(-1) },
  { keys: ['Enter', 'c'], says: 'choose it', group: 'Decide', run: take },
  { keys: ['Backspace', 'x'], says: 'take the choice back', group: 'Decide', run: giveUp },
]);
</script>

<template>
  <div v-if="evaluation.result!.runs.length === 0" class="empty"><strong>Nothing to decide yet.</strong>Note the runs in Survey first; every camera then shows here with what it could become.</div>
  <div v-else class="decide">
    <div class="main">
      <div class="row head">
        <h1>Decide</h1>
        <span class="figure"><span class="dim tiny">Total, {{ aboutOf(store.site!).currency }}</span> <b class="mono" data-total>{{ formatQuantity(total.cost, 'money') }}</b></span>
        <span class="figure"><span class="dim tiny">Labour</span> <b class="mono">{{ formatQuantity(total.hours, 'h') }}</b></span>
        <span class="figure"><span class="dim tiny">Dark</span> <b class="mono">{{ formatQuantity(total.darkHours, 'h') }}</b></span>
        <span class="figure"><span class="dim tiny">Coax kept</span> <b class="mono">{{ own.quantity(evaluation.result!.coaxKeptM, 'm') }}</b></span>
        <span class="push" />
        <span class="dim">{{ left.toDecide === 0 ? 'all decided' : `${left.toDecide} open` }}</span>
      </div>
      <DecideTable class="table" :groups="selection.groups" :run-id="selection.runId" :kind="kind" @pick="pick" />
    </div>
    <OptionSheet v-if="selection.current && option" class="sheet" :evaluation="selection.current" :option="option" :refused="refused" @take="take" @give-up="giveUp" />
    <aside v-else class="sheet hint"><p class="dim">Pick a cell to see what that option brings, what it costs and why. Arrows move, <kbd>Enter</kbd> chooses.</p><p class="dim">Filled bars use up their limit at the tick. Hatched bars rest on a run that nobody has tested.</p></aside>
  </div>
</template>

<style scoped>
.decide { display: grid; grid-template-columns: minmax(0, 1fr) 284px; height: 100%; margin: -14px -18px; height: calc(100% + 28px); }
.main { display: flex; flex-direction: column; min-height: 0; padding: 12px 8px 0 18px; }
.head { gap: 20px; padding-bottom: 4px; padding-right: 10px; }
.figure b { font-size: 16px; font-weight: 500; }
.table { flex: 1; min-height: 0; }
.sheet { overflow: hidden auto; background: var(--sheet); border-left: 1px solid var(--rule-strong); padding: 14px 16px; scrollbar-width: thin; }
.hint { display: grid; gap: 10px; align-content: start; line-height: 1.5; }
@media (max-width: 1000px) { .decide { display: block; height: auto; margin: 0; } .main { padding: 0; } .head { flex-wrap: wrap; } .table { overflow-x: auto; } }
</style>
