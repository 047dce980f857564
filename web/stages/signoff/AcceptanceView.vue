<script setup lang="ts">
import { useElementSize } from '@vueuse/core';
import { computed, onMounted, ref, useTemplateRef, watch } from 'vue';
import type { SignOff } from '#core/evaluate';
import { statusWords, thingKey, type ThingState } from '#core/signoff/acceptance';
import { formatFigure } from '#core/shared/units';
import PickField from '../../parts/PickField.vue';
import { thingLabel } from '../../stores/signOff';
import AgreementLines from './AgreementLines.vue';
import ForeseenLine from './ForeseenLine.vue';
import DumbbellRow from './DumbbellRow.vue';
import TesterTable from './TesterTable.vue';
import ThingSheet from './ThingSheet.vue';
import UnnotedGear from './UnnotedGear.vue';
import { figureChoices, firstFigure, scaleOf } from './dumbbells';
import { useThingInHand } from './useThingInHand';

/** Everything that is accepted, what was read of it against what was predicted, and the checks of the one in hand. */
const { now } = defineProps<{ now: SignOff }>();
const choices = computed(() => figureChoices(now.things));
const picked = ref<(typeof choices.value)[number]['check'] | null>(null);
const choice = computed(
  () => choices.value.find(({ check }) => check === picked.value) ?? firstFigure(choices.value),
);
const scale = computed(() => (choice.value ? scaleOf(now.things, choice.value.check) : null));
const stateOf = (thing: ThingState) =>
  thing.checks.find(({ check }) => check === choice.value?.check) ?? null;

const axis = useTemplateRef('axis');
const { width } = useElementSize(axis);
const xOf = (value: number): number =>
  scale.value ? ((value - scale.value.from) / (scale.value.to - scale.value.from)) * width.value : 0;

const { thing, pick } = useThingInHand(() => now.things);
/** The row in hand stays in sight, also when its own reading brings a finding that takes room above. */
const board = useTemplateRef('board');
const toRow = () => board.value?.querySelector('tr.picked')?.scrollIntoView({ block: 'nearest' });
watch(
  [() => thing.value && thingKey(thing.value.of), () => now.agreement.differences.length],
  () => toRow(),
  { flush: 'post' },
);
onMounted(toRow);
const done = ({ checks }: ThingState): string =>
  `${checks.filter(({ holds }) => holds === true).length} of ${checks.length}`;
</script>

<template>
  <div class="acceptance">
    <div class="board">
      <AgreementLines :agreement="now.agreement" />
      <ForeseenLine :things="now.things" @pick="pick" />
      <div class="row what">
        <PickField
          v-if="choice"
          :value="choice.check"
          :choices="
            choices.map(({ check, label, unit }) => ({
              value: check,
              label: unit ? `${label}, ${unit}` : label,
            }))
          "
          label="Figure on the drawing"
          @take="(next) => (picked = next)"
        />
        <span class="dim tiny">
          Band: predicted, nine times in ten. <span class="lozenge">◆</span> read. Brackets: what is wanted.
        </span>
        <TesterTable :things="now.things" />
      </div>
      <div ref="board" class="rows" tabindex="0" role="region" aria-label="Everything that is accepted">
        <table>
          <thead>
            <tr>
              <th class="num"><span class="out-of-sight">Number</span></th>
              <th>What</th>
              <th class="drawing">
                <div ref="axis" class="axis">
                  <svg v-if="scale" :width="width" height="14" aria-hidden="true">
                    <text
                      v-for="tick in scale.ticks"
                      :key="tick"
                      :x="xOf(tick)"
                      y="10"
                      :text-anchor="
                        tick === scale.ticks[0] ? 'start' : tick === scale.ticks.at(-1) ? 'end' : 'middle'
                      "
                    >
                      {{ formatFigure(tick, choice?.unit ?? '') }}
                    </text>
                  </svg>
                  <span class="out-of-sight">Predicted and read</span>
                </div>
              </th>
              <th class="num read">Read</th>
              <th class="num">Checks</th>
              <th>State</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="one in now.things"
              :key="thingKey(one.of)"
              :class="{ picked: one === thing }"
              :data-thing="thingKey(one.of)"
              :data-status="one.status"
            >
              <td class="num mono dim">{{ one.number ?? '' }}</td>
              <td class="name">
                <button
                  type="button"
                  class="plain"
                  :aria-current="one === thing ? 'true' : undefined"
                  @click="pick(one)"
                >
                  {{ one.name }}
                </button>
              </td>
              <td class="drawing">
                <svg v-if="scale && stateOf(one)" :width="width" height="24" aria-hidden="true">
                  <line
                    v-for="tick in scale.ticks"
                    :key="tick"
                    class="rule"
                    :x1="xOf(tick)"
                    :x2="xOf(tick)"
                    y1="0"
                    y2="24"
                  />
                  <DumbbellRow :state="stateOf(one)!" :scale="scale" :width="width" />
                </svg>
              </td>
              <td class="num mono read">{{ stateOf(one)?.found ?? '' }}</td>
              <td class="num mono">{{ done(one) }}</td>
              <td class="status" :class="one.status">{{ statusWords[one.status] }}</td>
            </tr>
          </tbody>
        </table>
        <UnnotedGear :unnoted="now.unnoted" />
      </div>
    </div>
    <ThingSheet
      v-if="thing"
      :key="thingKey(thing.of)"
      class="sheet"
      :thing="thing"
      :agreement="now.agreement"
      :title="thingLabel(thing)"
    />
    <p v-else class="sheet empty">Pick a camera, a recorder or a box, and take its readings here.</p>
  </div>
</template>

<style scoped>
.acceptance {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
  gap: 14px;
}
.board {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
/** What is said of all of it, and the figure that is drawn, stay in sight while rows are gone through. */
.rows {
  flex: 1;
  min-height: 0;
  overflow: hidden auto;
  scrollbar-width: thin;
}
.what {
  flex-wrap: wrap;
  align-items: center;
  padding-bottom: 6px;
}
.lozenge {
  color: var(--ink);
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  position: sticky;
  z-index: 1;
  top: 0;
  padding: 0 6px 4px;
  background: var(--paper);
  color: var(--ink-2);
  font-size: 11px;
  font-weight: 500;
  text-align: left;
  vertical-align: bottom;
}
td {
  padding: 0 6px;
  height: 24px;
  border-top: 1px solid var(--rule);
  font-size: 12px;
}
.num {
  text-align: right;
  white-space: nowrap;
}
.name button {
  min-height: 24px;
  width: 100%;
}
.drawing {
  width: 44%;
  padding: 0 14px;
}
.drawing svg {
  display: block;
  overflow: visible;
}
.axis {
  min-height: 14px;
}
.rule {
  stroke: var(--rule);
}
.picked {
  background: var(--copper-3);
}
.status {
  white-space: nowrap;
}
.status.fails {
  color: var(--madder);
  font-weight: 600;
}
.status.accepted,
.status.with-exceptions {
  color: var(--verdigris);
}
.sheet {
  min-height: 0;
  overflow: hidden auto;
  scrollbar-width: thin;
}
@media (max-width: 1000px) {
  .acceptance {
    grid-template-columns: minmax(0, 1fr);
  }
  .board {
    order: 2;
  }
}
@media (max-width: 700px) {
  .drawing,
  .read {
    display: none;
  }
  .name button {
    min-height: 44px;
  }
}
</style>
