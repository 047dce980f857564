<script setup lang="ts">
import { useTemplateRef } from 'vue';
import type { LightVerdict } from '#core/evaluation';
import type { TestDefinition } from '#core/findings';
import { formatQuantity } from '#core/units';
import MarginBar from '../../parts/MarginBar.vue';
import QuantityField from '../../parts/QuantityField.vue';

/** One thing to know of a run: the field for its reading, what is expected, and what the reading means. */
const { verdict, test, heldBack = undefined } = defineProps<{ number: number; verdict: LightVerdict; test: TestDefinition | undefined; heldBack?: string | undefined; asked: boolean }>();
const emit = defineEmits<{ take: [value: number]; entered: [from: HTMLElement | null]; why: [] }>();
const row = useTemplateRef('row');

const sensible = (value: number) => (value >= 0 && value <= 100_000 ? undefined : 'from 0 to 100 000');
const expectedWords = () => {
  const { expected } = verdict;
  if (!expected) return '';
  const sign = expected.name === 'below' ? '< ' : expected.name === 'above' ? '> ' : '';
  return sign + formatQuantity(expected.value, expected.unit);
};
</script>

<template>
  <tr ref="row" :class="{ asked }" :data-verdict="verdict.id">
    <td class="mono dim n">{{ number }}</td>
    <td class="label" :title="test?.connect">{{ verdict.label }}</td>
    <td class="num read">
      <span v-if="!test" class="mono dim">computed</span>
      <QuantityField v-else :value="verdict.read?.value ?? null" :unit="test.unit" :digits="2" size="large" :label="verdict.label" :allowed="sensible" :disabled="heldBack !== undefined" @take="(value) => emit('take', value)" @entered="emit('entered', row)" />
    </td>
    <td class="num mono dim expected">{{ expectedWords() }}</td>
    <td class="bar"><MarginBar :share="verdict.share" :state="verdict.state" /></td>
    <td class="means">
      <button type="button" class="plain" @click="emit('why')">{{ heldBack && !verdict.read ? heldBack : verdict.says }} <span class="ask">why</span></button>
    </td>
  </tr>
</template>

<style scoped>
td { padding: 2px 8px; height: 31px; border-bottom: 1px solid var(--rule); }
.asked { background: var(--copper-3); }
.num { text-align: right; white-space: nowrap; }
.label { white-space: nowrap; }
.read :deep(.quantity) { width: 118px; }
.means { font-size: 12px; color: var(--ink-2); line-height: 1.2; }
.ask { text-decoration: underline; text-underline-offset: 2px; font-size: 11px; color: var(--copper); }
@media (max-width: 700px) {
  tr { display: grid; grid-template-columns: 22px 1fr auto; align-items: center; border-bottom: 1px solid var(--rule); padding: 6px 0; }
  td { border: 0; padding: 2px 4px; height: auto; }
  .read { grid-column: 3; }
  .read :deep(.quantity) { width: 132px; }
  .read :deep(input) { min-height: 42px; }
  .expected { grid-column: 3; grid-row: 2; padding-right: 28px; }
  .bar { grid-column: 1 / 3; grid-row: 2; padding-left: 26px; }
  .means { grid-column: 1 / -1; grid-row: 3; padding-left: 26px; }
}
</style>
