<script setup lang="ts">
import { computed, ref } from 'vue';
import type { CheckState } from '#core/signoff/acceptance';
import { acceptanceCheckOf, type AcceptanceFound } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';
import SoakEntry from './SoakEntry.vue';

/** One check: what is wanted and predicted, what was read and whether it holds, and where it is read anew. */
const { state, outlier, onList } = defineProps<{
  state: CheckState;
  /** Why a reading may lie outside what was predicted; empty where it does not. */
  outlier: string;
  onList: boolean;
}>();
const emit = defineEmits<{ take: [found: AcceptanceFound, instrument?: string]; punch: [] }>();
const row = computed(() => acceptanceCheckOf(state.check));
const asks = computed(() => row.value.asks);
const howShown = ref(false);
const predicted = computed(() => {
  const { predicted: of } = state;
  if (!of || asks.value.kind !== 'figure') return '';
  const { unit } = asks.value;
  return `predicted ${formatQuantity(of.low, unit)} to ${formatQuantity(of.high, unit)}`;
});
const wanted = computed(() =>
  asks.value.kind === 'seen' || asks.value.kind === 'words' ? '' : state.wanted,
);
const clock = (at: string): string =>
  new Date(at).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });
</script>

<template>
  <section
    class="check"
    :class="{ holds: state.holds === true, fails: state.holds === false }"
    :data-check="state.check"
    :data-holds="state.holds"
  >
    <div class="row">
      <span class="mark" aria-hidden="true">{{ state.holds === null ? '○' : state.holds ? '✓' : '✕' }}</span>
      <b>{{ row.label }}</b>
      <button
        type="button"
        class="plain how"
        :aria-expanded="howShown"
        :aria-label="`How: ${row.label}`"
        @click="howShown = !howShown"
      >
        how
      </button>
    </div>
    <p v-if="howShown" class="dim tiny">{{ row.how }}</p>
    <p v-if="wanted || predicted" class="dim tiny">{{ [wanted, predicted].filter(Boolean).join(', ') }}</p>
    <p v-if="state.reading" class="found">
      <span class="mono">{{ state.found }}</span>
      <span class="dim tiny">
        {{ state.reading.by }}, {{ clock(state.reading.at)
        }}{{ state.superseded > 0 ? `, ${state.superseded} before it` : '' }}</span
      >
    </p>
    <p v-if="state.foreseen" class="why" data-foreseen>{{ state.foreseen }}</p>
    <p v-if="state.holds === false" class="why">{{ state.message }}</p>
    <p v-if="outlier" class="tiny">
      Outside what was predicted{{ state.holds ? ', though it holds' : '' }}. {{ outlier }}
    </p>
    <div class="row entry">
      <QuantityField
        v-if="asks.kind === 'figure'"
        :value="null"
        :unit="asks.unit"
        :label="`${row.label}, new reading`"
        clear-after
        :placeholder="state.reading ? 'again' : 'reading'"
        @take="(value) => emit('take', { kind: 'figure', value })"
      />
      <template v-else-if="asks.kind === 'seen'">
        <button
          type="button"
          class="btn small"
          :aria-label="`${row.label}: yes`"
          @click="emit('take', { kind: 'seen', isSo: true })"
        >
          Yes
        </button>
        <button
          type="button"
          class="btn small"
          :aria-label="`${row.label}: no`"
          @click="emit('take', { kind: 'seen', isSo: false })"
        >
          No
        </button>
      </template>
      <TextField
        v-else-if="asks.kind === 'words'"
        value=""
        :label="`${row.label}: ${asks.prompt}`"
        :placeholder="asks.prompt"
        @take="(words) => emit('take', { kind: 'words', words })"
      />
      <SoakEntry v-else @take="(found, instrument) => emit('take', found, instrument)" />
      <button v-if="state.holds !== true && !onList" type="button" class="btn small" @click="emit('punch')">
        Punch list
      </button>
      <span v-else-if="state.holds !== true" class="dim tiny">on the punch list</span>
    </div>
  </section>
</template>

<style scoped>
.check {
  padding: 6px 0 7px;
  border-top: 1px solid var(--rule);
  font-size: 12px;
}
.row {
  gap: 6px;
  align-items: baseline;
}
.mark {
  width: 14px;
  color: var(--ink-3);
}
.holds .mark {
  color: var(--verdigris);
}
.fails .mark,
.why {
  color: var(--madder);
}
.how {
  min-height: 24px;
  color: var(--ink-2);
  font-size: 11px;
  text-decoration: underline;
}
.mono {
  margin-right: 6px;
}
.entry {
  flex-wrap: wrap;
  align-items: center;
  padding-top: 3px;
}
.btn.small {
  min-height: 24px;
}
.entry :deep(.quantity) {
  width: 120px;
}
</style>
