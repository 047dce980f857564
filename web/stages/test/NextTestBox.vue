<script setup lang="ts">
import { computed } from 'vue';
import type { RunSummary } from '#core/evaluate';
import { prerequisites, isStopped, untilSafe, type TouchLimits } from '#core/test/findings';
import { testDefinition } from '#core/model/site';
import { type RunReadings } from '#core/test/readings';
import type { Diagnosis } from '#core/test/diagnosis';

/** What to test next: first what must be known of every run, then what tells most for its minutes. */
const { evaluation, diagnosis, readings, limits } = defineProps<{
  evaluation: RunSummary;
  diagnosis: Diagnosis | null;
  readings: RunReadings;
  limits: TouchLimits;
}>();

const stopped = computed(() => isStopped(readings, limits));
const required = computed(() => {
  const [missing] = evaluation.findings.missing;
  return missing ? testDefinition(missing) : undefined;
});
const says = computed(() => {
  if (!required.value) return '';
  return prerequisites(required.value, evaluation.run, readings, limits) ?? required.value.connect;
});
const best = computed(() => diagnosis?.next[0]);
const needs = computed(() => {
  if (!best.value) return '';
  const minutes = Math.max(1, Math.round(best.value.minutes));
  return `${minutes} minute${minutes === 1 ? '' : 's'}${best.value.needs.length ? `, with ${best.value.needs.join(', ')}` : ''}`;
});
const lower = (label: string) => label.charAt(0).toLowerCase() + label.slice(1);
</script>

<template>
  <div class="next">
    <p v-if="stopped">{{ untilSafe }}</p>
    <p v-else-if="required">
      <b>Next: {{ lower(required.label) }}.</b> {{ says }}
    </p>
    <p v-else>
      <b>Tested.</b> {{ evaluation.findings.binding.label }}:
      {{ evaluation.findings.binding.message.replace(/\.$/, '') }}.
    </p>
    <template v-if="diagnosis && !stopped">
      <p>{{ diagnosis.message }}</p>
      <p v-if="best && best.test.id !== required?.id" class="dim">
        Recommended next test: <b>{{ lower(best.test.label) }}</b>, {{ needs }}.
      </p>
    </template>
  </div>
</template>

<style scoped>
.next {
  border-left: 3px solid var(--copper);
  padding: 6px 12px;
  background: var(--copper-3);
  display: grid;
  gap: 3px;
}
</style>
