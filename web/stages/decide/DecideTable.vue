<script setup lang="ts">
import { optionRow, optionKinds, type OptionKind } from '#core/model/site';
import { nextTick, useTemplateRef, watch } from 'vue';
import { useRovingFocus } from '../../keys/useRovingFocus';
import type { MarginSummary, OptionSummary, RunSummary } from '#core/evaluate';
import { formatQuantity } from '#core/shared/units';
import MarginBar from '../../parts/MarginBar.vue';
import { useMeasures } from '../../stores/measures';
import type { PlaceGroup } from '../../stores/selection';
import { useOpenSite } from '../../stores/openSite';
import { orderWords, type TableOrder } from './tableOrder';

const { groups, runId, kind, sort } = defineProps<{
  groups: PlaceGroup[];
  runId: string | null;
  kind: OptionKind;
  sort: TableOrder;
}>();
const emit = defineEmits<{ pick: [runId: string, kind: OptionKind]; sort: [] }>();
const box = useTemplateRef('box');
const openSite = useOpenSite();

/** What the chosen option costs; nothing while none is chosen. */
function chosenCost({ options, chosen }: RunSummary): string {
  const option = options.find((one) => one.kind === chosen);
  return option && option.state !== 'no' ? formatQuantity(option.cost, 'money') : '';
}
const own = useMeasures();
const figureOf = ({ value, unit }: MarginSummary) =>
  unit === 'm' ? own.quantity(value, unit) : formatQuantity(value, unit, value >= 99.5 ? 0 : undefined);
const untested = ({ findings }: RunSummary) => findings.missing.length > 0;
const isInHand = (run: RunSummary, option: OptionSummary): boolean =>
  run.run.id === runId && option.kind === kind;
/** Only one cell is a stop of Tab: the one in hand, or the first. */
const isTabbed = (run: RunSummary, option: OptionSummary): boolean =>
  runId === null ? run === groups[0]?.runs[0] && option === run.options[0] : isInHand(run, option);
useRovingFocus(box, () => [runId, kind]);
const states = { holds: 'holds', close: 'just holds', fails: 'does not hold' } as const;
/** What a cell shows, in words. */
function cellWords(run: RunSummary, option: OptionSummary): string {
  const state =
    option.state === 'no'
      ? `${option.short}, not possible: ${option.why}`
      : `${option.binding ? figureOf(option.binding) : 'agreed'}, ${states[option.state]}`;
  const chosen = option.kind === run.chosen ? `, chosen${isLocked(run) ? ', locked' : ''}` : '';
  return `${optionRow(option.kind).label}: ${state}${untested(run) ? ', untested' : ''}${chosen}`;
}
const isLocked = ({ camera }: RunSummary) => openSite.value.choice[camera.id]?.locked === true;

watch(
  () => [runId, kind],
  async () => {
    await nextTick();
    box.value
      ?.querySelector('[aria-selected="true"]')
      ?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  },
);
</script>

<template>
  <div ref="box" class="box">
    <table role="grid" aria-label="Options of every camera">
      <thead>
        <tr>
          <td />
          <th>
            <button type="button" class="plain sort" title="Sort" @click="emit('sort')">
              Camera, {{ orderWords[sort] }} <kbd>s</kbd>
            </button>
          </th>
          <th v-for="(one, at) in optionKinds" :key="one" :title="optionRow(one).label">
            {{ optionRow(one).column }}<span class="number mono">{{ at + 1 }}</span>
          </th>
          <th class="num">cost</th>
        </tr>
      </thead>
      <tbody v-for="group in groups" :key="group.placeId">
        <tr
          v-for="run in group.runs"
          :key="run.run.id"
          :class="{ here: run.run.id === runId }"
          :data-run="run.run.id"
        >
          <td class="mono dim">{{ run.camera.number }}</td>
          <th scope="row" :title="run.camera.name">{{ run.camera.name }}</th>
          <td
            v-for="option in run.options"
            :key="option.kind"
            role="gridcell"
            class="cell"
            :class="{
              chosen: option.kind === run.chosen,
              broken: option.kind === run.chosen && run.choiceBroken,
            }"
            :data-option="option.kind"
            data-roving
            :tabindex="isTabbed(run, option) ? 0 : -1"
            :aria-label="cellWords(run, option)"
            :aria-selected="run.run.id === runId && option.kind === kind"
            :title="option.state === 'no' ? option.why : option.message"
            @click="emit('pick', run.run.id, option.kind)"
          >
            <span v-if="option.state === 'no'" class="none">{{ option.short }}</span>
            <span v-else-if="option.binding" class="margin"
              ><MarginBar
                :utilisation="option.binding.utilisation"
                :state="option.state"
                :width="32"
                :height="6"
                :hatched="untested(run)"
              /><span class="mono">{{ figureOf(option.binding) }}</span></span
            >
            <span v-else class="none">agreed</span>
            <span
              v-if="option.kind === run.chosen && isLocked(run)"
              class="lock"
              title="Locked against whatever is planned"
              >locked</span
            >
          </td>
          <td class="num mono">{{ chosenCost(run) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.box {
  overflow: auto;
  scrollbar-width: thin;
}
table {
  border-collapse: collapse;
  width: 100%;
}
thead th,
thead td {
  position: sticky;
  top: 0;
  z-index: 1;
  background: var(--paper);
  text-align: left;
  font-weight: 500;
  font-size: 10.5px;
  color: var(--ink-2);
  padding: 3px 1px;
  border-bottom: 1px solid var(--rule-strong);
  line-height: 1.15;
  vertical-align: bottom;
}
.number {
  display: block;
  font-size: 9px;
}
.sort {
  max-width: 92px;
  white-space: normal;
  line-height: 1.15;
}
tbody th {
  text-align: left;
  font-weight: 400;
  max-width: 80px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
td,
tbody th {
  padding: 0 3px;
  height: 29px;
  border-bottom: 1px solid var(--rule);
}
.num {
  text-align: right;
}
td.num {
  font-size: 12px;
  padding-right: 4px;
}
.here {
  background: var(--copper-3);
}
.cell {
  position: relative;
  cursor: pointer;
  white-space: nowrap;
  min-width: 36px;
  padding: 0 1px;
}
.cell:hover {
  background: var(--sheet);
}
.cell.chosen {
  box-shadow: inset 0 0 0 2px var(--ink);
  background: var(--sheet);
}
.cell.chosen.broken {
  box-shadow: inset 0 0 0 2px var(--madder);
}
.cell[aria-selected='true'] {
  outline: 2px solid var(--copper);
  outline-offset: -1px;
}
.margin {
  display: grid;
  justify-items: start;
  font-size: 9.5px;
  line-height: 1.15;
  color: var(--ink-2);
  letter-spacing: -0.06em;
}
.none {
  display: block;
  max-width: 37px;
  font-size: 10px;
  line-height: 1.1;
  white-space: normal;
  color: var(--ink-2);
}
.lock {
  position: absolute;
  right: 3px;
  bottom: 1px;
  font-size: 9px;
  color: var(--copper);
}
</style>
