<script setup lang="ts">
import { nextTick, useTemplateRef, watch } from 'vue';
import type { LightMargin, LightRun } from '#core/evaluation';
import { optionLabels } from '#core/options';
import { optionKinds, type OptionKind } from '#core/site';
import { formatQuantity } from '#core/units';
import MarginBar from '../../parts/MarginBar.vue';
import { useMeasures } from '../../stores/measures';
import type { PlaceGroup } from '../../stores/selection';

const { groups, runId, kind } = defineProps<{ groups: PlaceGroup[]; runId: string | null; kind: OptionKind }>();
const emit = defineEmits<{ pick: [runId: string, kind: OptionKind] }>();
const box = useTemplateRef('box');

/** What the chosen option costs; nothing while none is chosen. */
function chosenCost({ options, chosen }: LightRun): string {
  const option = options.find((one) => one.kind === chosen);
  return option && option.state !== 'no' ? formatQuantity(option.cost, 'money') : '';
}
const own = useMeasures();
const figureOf = ({ value, unit }: LightMargin) => (unit === 'm' ? own.quantity(value, unit) : formatQuantity(value, unit, value >= 99.5 ? 0 : undefined));
const untested = ({ findings }: LightRun) => findings.missing.length > 0;

watch(() => [runId, kind], async () => {
  await nextTick();
  box.value?.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
});
</script>

<template>
  <div ref="box" class="box">
    <table role="grid" aria-label="Options of every camera">
      <thead>
        <tr><th /><th>Camera</th><th v-for="one in optionKinds" :key="one" :title="optionLabels[one].label">{{ optionLabels[one].column }}</th><th class="num">cost</th></tr>
      </thead>
      <tbody v-for="group in groups" :key="group.placeId">
        <tr v-for="run in group.runs" :key="run.run.id" :class="{ here: run.run.id === runId }" :data-run="run.run.id">
          <td class="mono dim">{{ run.camera.number }}</td>
          <th scope="row">{{ run.camera.name }}</th>
          <td
            v-for="option in run.options" :key="option.kind" role="gridcell" class="cell" :class="{ chosen: option.kind === run.chosen, broken: option.kind === run.chosen && run.choiceBroken }" :data-option="option.kind"
            :aria-selected="run.run.id === runId && option.kind === kind" @click="emit('pick', run.run.id, option.kind)"
          >
            <span v-if="option.state === 'no'" class="none">{{ option.short }}</span>
            <span v-else class="margin"><MarginBar :share="option.binding.share" :state="option.state" :width="34" :hatched="untested(run)" /><span class="mono">{{ figureOf(option.binding) }}</span></span>
          </td>
          <td class="num mono">{{ chosenCost(run) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.box { overflow: auto; scrollbar-width: thin; }
table { border-collapse: collapse; width: 100%; }
thead th { position: sticky; top: 0; z-index: 1; background: var(--paper); text-align: left; font-weight: 500; font-size: 11px; color: var(--ink-2); padding: 3px 4px; border-bottom: 1px solid var(--rule-strong); white-space: nowrap; }
tbody th { text-align: left; font-weight: 400; max-width: 112px; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
td, tbody th { padding: 0 4px; height: 25px; border-bottom: 1px solid var(--rule); }
.num { text-align: right; }
td.num { font-size: 12px; }
.here { background: var(--copper-3); }
.cell { cursor: pointer; white-space: nowrap; }
.cell:hover { background: var(--sheet); }
.cell.chosen { box-shadow: inset 0 0 0 2px var(--ink); background: var(--sheet); }
.cell.chosen.broken { box-shadow: inset 0 0 0 2px var(--madder); }
.cell[aria-selected='true'] { outline: 2px solid var(--copper); outline-offset: -1px; }
.margin { display: flex; gap: 3px; align-items: center; font-size: 10px; color: var(--ink-2); letter-spacing: -0.02em; }
.none { font-size: 11px; color: var(--ink-3); }
</style>
