<script setup lang="ts">
import { optionRow, optionKinds, type OptionKind } from '#core/model/site';
import { computed, nextTick, useTemplateRef, watch } from 'vue';
import { useRovingFocus } from '../../keys/useRovingFocus';
import type { MarginSummary, OptionSummary, RunSummary } from '#core/evaluate';
import { formatFigure, formatQuantity } from '#core/shared/units';
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
const emit = defineEmits<{ pick: [runId: string, kind: OptionKind]; show: [kind: OptionKind]; sort: [] }>();
const box = useTemplateRef('box');
const openSite = useOpenSite();

/** Kinds that some camera here can have, or that one of them was given all the same. */
const possible = computed(() => {
  const kinds = new Set<OptionKind>();
  for (const { runs } of groups)
    for (const { options, chosen } of runs) {
      if (chosen) kinds.add(chosen);
      for (const option of options) if (option.state !== 'no') kinds.add(option.kind);
    }
  return kinds;
});
/** A column that says “no” all the way down is folded away, but for the one in hand. */
const columns = computed(() => optionKinds.filter((one) => one === kind || possible.value.has(one)));
const folded = computed(() => optionKinds.filter((one) => !columns.value.includes(one)));
const cellsOf = ({ options }: RunSummary): OptionSummary[] =>
  options.filter((option) => option.kind === kind || possible.value.has(option.kind));

/** What the chosen option costs; nothing while none is chosen. */
function chosenCost({ options, chosen }: RunSummary): string {
  const option = options.find((one) => one.kind === chosen);
  return option && option.state !== 'no' ? formatQuantity(option.cost, 'money') : '';
}
const own = useMeasures();
function figureOf({ value, unit }: MarginSummary): string {
  if (unit === 'm') return own.quantity(value, unit);
  // A column is as narrow as the shortest of these.
  return unit === 'px/m'
    ? `${formatFigure(value, unit)} px`
    : formatQuantity(value, unit, value >= 99.5 ? 0 : undefined);
}
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
          <th v-for="one in columns" :key="one" :title="optionRow(one).label">
            {{ optionRow(one).column }}<span class="number mono">{{ optionKinds.indexOf(one) + 1 }}</span>
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
            v-for="option in cellsOf(run)"
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
    <p v-if="folded.length > 0" class="folded dim tiny">
      As noted, no camera here can have
      <template v-for="(one, at) in folded" :key="one"
        ><button type="button" class="plain" :title="optionRow(one).label" @click="emit('show', one)">
          {{ optionRow(one).column }} <span class="mono">{{ optionKinds.indexOf(one) + 1 }}</span></button
        >{{ at < folded.length - 1 ? ', ' : '.' }}
      </template>
    </p>
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
.folded {
  padding: 6px 3px;
}
.folded button {
  text-decoration: underline;
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
