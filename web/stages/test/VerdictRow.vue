<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue';
import type { VerdictSummary } from '#core/evaluate';
import {
  mostReading,
  type Found,
  type PictureReading,
  type Reading,
  type TestDefinition,
} from '#core/model/site';
import type { ExpectedReading } from '#core/test/diagnosis';
import { formatQuantity } from '#core/shared/units';
import { choices } from '#core/model/labels';
import MarginBar from '../../parts/MarginBar.vue';
import PickField from '../../parts/PickField.vue';
import PicksField from '../../parts/PicksField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import ExpectedBand from './ExpectedBand.vue';

/** One thing to know of a run: what to write its reading down with, what is expected, and what the reading means. */
const {
  verdict,
  test,
  reading = undefined,
  expected = undefined,
  heldBack = undefined,
} = defineProps<{
  number: number;
  verdict: VerdictSummary;
  test: TestDefinition;
  reading?: Reading | undefined;
  /** Where its figure is expected, from all that is known but itself. */
  expected?: ExpectedReading | undefined;
  heldBack?: string | undefined;
  asked: boolean;
  inHand: boolean;
  /** An instrument is connected that can take it. */
  byInstrument: boolean;
  /** It is reading something. */
  busy: boolean;
}>();
const emit = defineEmits<{
  take: [found: Found];
  entered: [from: HTMLElement | null];
  why: [];
  hold: [];
  read: [];
  open: [];
}>();
const row = useTemplateRef('row');

const sensible = (value: number) =>
  value >= 0 && value <= mostReading ? undefined : `from 0 to ${formatQuantity(mostReading, '')}`;
const expectedWords = () => {
  const { expected: asNoted } = verdict;
  if (!asNoted)
    return (
      {
        continuity: 'through',
        'wire-map': 'straight',
        'camera-at-head-end': 'works',
        'camera-on-local-supply': 'works',
      }[verdict.id as string] ?? ''
    );
  const sign = asNoted.name === 'below' ? '< ' : asNoted.name === 'above' ? '> ' : '';
  return sign + formatQuantity(asNoted.value, asNoted.unit);
};
const unit = computed(() => (test.asks.kind === 'figure' ? test.asks.unit : 'V'));
/** What was found of the camera away from what is suspected of it. */
const swapped = computed(() =>
  reading?.test === 'camera-at-head-end' || reading?.test === 'camera-on-local-supply' ? reading : null,
);
const seen = computed(() => (reading?.test === 'picture' ? reading : null));
/** Symptoms as they are being picked; they are one reading, taken when the list is left. */
const picked = ref<PictureReading['symptoms'] | null>(null);

function takeFigure(value: number): void {
  if (test.asks.kind === 'figure') emit('take', { test: test.id, value } as Found);
}
function takePicture(): void {
  // Picked and unpicked again is no picture that was seen clean.
  if (picked.value && (picked.value.length > 0 || seen.value))
    emit('take', { test: 'picture', symptoms: picked.value });
  picked.value = null;
}
</script>

<template>
  <tr
    ref="row"
    :class="{ asked, held: inHand }"
    :data-verdict="verdict.id"
    @focusin="emit('hold')"
    @click="emit('hold')"
  >
    <td class="mono dim n">{{ number }}</td>
    <td class="label">{{ verdict.label }}</td>
    <td class="num read">
      <QuantityField
        v-if="test.asks.kind === 'figure'"
        :value="verdict.read?.value ?? null"
        :unit="unit"
        :digits="2"
        again
        size="large"
        :label="verdict.label"
        :allowed="sensible"
        :disabled="heldBack !== undefined"
        @take="takeFigure"
        @entered="emit('entered', row)"
      />
      <PickField
        v-else-if="verdict.id === 'continuity'"
        :value="reading?.test === 'continuity' ? reading.found : null"
        :choices="choices.continuity"
        :label="verdict.label"
        placeholder="pick"
        :disabled="heldBack !== undefined"
        @take="(found) => emit('take', { test: 'continuity', found })"
      />
      <PickField
        v-else-if="verdict.id === 'wire-map'"
        :value="reading?.test === 'wire-map' ? reading.found : null"
        :choices="choices.wireMap"
        :label="verdict.label"
        placeholder="pick"
        :disabled="heldBack !== undefined"
        @take="(found) => emit('take', { test: 'wire-map', found })"
      />
      <PickField
        v-else-if="test.asks.kind === 'words'"
        :value="swapped?.found ?? null"
        :choices="choices.swap"
        :label="verdict.label"
        placeholder="pick"
        :disabled="heldBack !== undefined"
        @take="(found) => emit('take', { test: verdict.id, found } as Found)"
      />
      <span v-else-if="test.asks.kind === 'symptoms'" class="symptoms">
        <PicksField
          :values="picked ?? seen?.symptoms ?? []"
          :choices="choices.symptom"
          :label="verdict.label"
          :placeholder="seen ? 'Clean' : 'pick'"
          :disabled="heldBack !== undefined"
          @take="(next) => (picked = next)"
          @closed="takePicture"
        />
        <button
          v-if="!seen && !picked"
          type="button"
          class="btn small"
          :disabled="heldBack !== undefined"
          @click="emit('take', { test: 'picture', symptoms: [] })"
        >
          Clean
        </button>
      </span>
      <button
        v-else
        type="button"
        class="btn small"
        :disabled="heldBack !== undefined"
        @click.stop="emit('open')"
      >
        {{
          test.asks.kind === 'trace'
            ? reading
              ? 'See trace'
              : 'Take a trace'
            : verdict.read
              ? formatQuantity(verdict.read.value, verdict.read.unit)
              : 'Write down'
        }}
      </button>
    </td>
    <td class="by">
      <button
        v-if="byInstrument"
        type="button"
        class="btn small"
        :disabled="heldBack !== undefined || busy"
        :aria-label="`Read ${verdict.label} with the instrument`"
        @click.stop="emit('read')"
      >
        Read
      </button>
    </td>
    <td class="num mono dim expected">
      <ExpectedBand v-if="expected" :expected="expected" :read="verdict.read?.value ?? null" :unit="unit" />
      <template v-else>{{ expectedWords() }}</template>
    </td>
    <td class="bar"><MarginBar :utilisation="verdict.utilisation" :state="verdict.state" /></td>
    <td class="means">
      <button type="button" class="plain" @click="emit('why')">
        {{ heldBack && verdict.state === 'untested' ? heldBack : verdict.message }}
        <span class="ask">why</span>
      </button>
    </td>
  </tr>
</template>

<style scoped>
td {
  padding: 1px 8px;
  height: 28px;
  border-bottom: 1px solid var(--rule);
}
.held {
  background: var(--sheet);
}
.asked {
  background: var(--copper-3);
}
.num {
  text-align: right;
  white-space: nowrap;
}
.label {
  line-height: 1.15;
}
.n,
.by {
  padding: 1px 2px;
}
.read :deep(.quantity) {
  width: 118px;
}
.read :deep(.p-select),
.symptoms :deep(.p-multiselect) {
  width: 118px;
  text-align: left;
}
.read .btn {
  min-width: 92px;
  justify-content: center;
}
.symptoms {
  display: inline-flex;
  gap: 4px;
  align-items: center;
}
.symptoms .btn {
  min-width: 0;
}
.means {
  min-width: 132px;
  font-size: 12px;
  color: var(--ink-2);
  line-height: 1.2;
}
.ask {
  text-decoration: underline;
  text-underline-offset: 2px;
  font-size: 11px;
  color: var(--copper);
}
@media (max-width: 700px) {
  tr {
    display: grid;
    grid-template-columns: 22px 1fr auto;
    align-items: center;
    border-bottom: 1px solid var(--rule);
    padding: 6px 0;
  }
  td {
    border: 0;
    padding: 2px 4px;
    height: auto;
  }
  .read {
    grid-column: 3;
  }
  .read :deep(.quantity) {
    width: 132px;
  }
  .read :deep(input),
  .read :deep(.p-select),
  .read :deep(.p-multiselect) {
    min-height: 42px;
    align-items: center;
  }
  .by {
    grid-column: 3;
    grid-row: 3;
    justify-self: end;
  }
  .expected {
    grid-column: 3;
    grid-row: 2;
    padding-right: 28px;
  }
  .bar {
    grid-column: 1 / 3;
    grid-row: 2;
    padding-left: 26px;
  }
  .means {
    grid-column: 1 / 3;
    grid-row: 3;
    padding-left: 26px;
  }
}
</style>
