<script setup lang="ts">
import { computed, ref } from 'vue';
import type { ThingState } from '#core/signoff/acceptance';
import { testerResults } from '#core/signoff/tester';
import { counted } from '#core/shared/labels';
import { useSignOff } from '../../stores/signOff';
import { useTables } from '../../tables/useTables';

/** The verdicts of a cable tester for all cables at once, from the table that it saved. */
const { things } = defineProps<{ things: readonly ThingState[] }>();
const signOff = useSignOff();
const tables = useTables();
const waiting = computed(() =>
  things.filter(({ checks }) => checks.some(({ check }) => check === 'cable-tester')),
);
const told = ref('');
const problems = ref<string[]>([]);
/** Most rows that are told. */
const mostTold = 6;

async function take(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  if (!file) return;
  const read = await tables.read(new Uint8Array(await file.arrayBuffer()));
  input.value = '';
  [told.value, problems.value] = ['', []];
  if (read.kind === 'refused') {
    problems.value = [read.why];
    return;
  }
  const { results, problems: not } = testerResults(read.table, waiting.value);
  const refused = results.length > 0 ? signOff.takeTester(results, `table ${file.name}`.slice(0, 80)) : '';
  problems.value = refused ? [refused] : not;
  if (!refused && results.length > 0) told.value = `${counted(results.length, 'result')} taken.`;
}
</script>

<template>
  <div v-if="waiting.length > 0" class="tester">
    <label class="btn small file"
      >Cable tester’s table<input
        type="file"
        accept=".csv,.xlsx,text/csv"
        aria-label="Table of a cable tester"
        @change="take"
    /></label>
    <span v-if="told" class="dim tiny" role="status">{{ told }}</span>
    <div v-if="problems.length > 0" class="stop" role="alert">
      <p v-for="problem in problems.slice(0, mostTold)" :key="problem">{{ problem }}</p>
      <p v-if="problems.length > mostTold">{{ problems.length - mostTold }} more.</p>
    </div>
  </div>
</template>

<style scoped>
.tester {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.stop {
  flex-basis: 100%;
}
.btn.small {
  min-height: 24px;
}
</style>
