<script setup lang="ts">
import { computed, ref } from 'vue';
import { testDefinition } from '#core/findings';
import { strikeOut, type Reading } from '#core/site';
import { formatQuantity } from '#core/units';
import TextField from '../../parts/TextField.vue';
import { useSite } from '../../stores/site';

const { runId } = defineProps<{ runId: string }>();
const store = useSite();
const striking = ref<string | null>(null);

const readings = computed(() => Object.values(store.site!.reading).filter((reading) => reading.runId === runId).sort((a, b) => Date.parse(b.at) - Date.parse(a.at)));
const when = (at: string) => new Date(at).toLocaleString([], { dateStyle: 'short', timeStyle: 'short' });
const reasonAllowed = (text: string) => (text.length > 0 && text.length <= 200 ? undefined : 'say why, in up to 200 characters');

function strike(reading: Reading, why: string): void {
  store.change(`Strike out ${testDefinition(reading.test).label}`, [strikeOut(reading, why, store.person.trim() || 'Surveyor', new Date().toISOString())]);
  striking.value = null;
}
</script>

<template>
  <details v-if="readings.length > 0" class="history">
    <summary>All readings of this run ({{ readings.length }})</summary>
    <ul>
      <li v-for="reading in readings" :key="reading.id" :class="{ struck: reading.struck }">
        <span class="what">{{ testDefinition(reading.test).label }}</span>
        <span class="mono what">{{ formatQuantity(reading.value, testDefinition(reading.test).unit) }}</span>
        <span class="dim tiny">{{ when(reading.at) }}, {{ reading.by }}, {{ reading.instrument }}</span>
        <span v-if="reading.struck" class="tiny">struck out: {{ reading.struck.why }}</span>
        <TextField v-else-if="striking === reading.id" value="" label="Why it is struck out" placeholder="Why? Then Enter" :refuse="reasonAllowed" @take="(why) => strike(reading, why)" />
        <button v-else type="button" class="btn small" @click="striking = reading.id">Strike out</button>
      </li>
    </ul>
  </details>
</template>

<style scoped>
summary { cursor: pointer; color: var(--ink-2); }
li { display: grid; grid-template-columns: 170px 70px 1fr auto; gap: 10px; align-items: center; padding: 3px 0; border-bottom: 1px solid var(--rule); }
.struck .what { text-decoration: line-through; color: var(--ink-3); }
@media (max-width: 700px) { li { grid-template-columns: 1fr auto; } }
</style>
