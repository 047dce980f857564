<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import type { MorningPicture, NightsNow } from '#core/evaluate';
import { useKeys } from '../../keys/keys';
import MarginBar from '../../parts/MarginBar.vue';
import RecorderSlots from '../../parts/RecorderSlots.vue';
import { useEvaluation } from '../../stores/evaluation';
import { useMeasures } from '../../stores/measures';
import { dateWords } from '../../parts/dateWords';

/** What is so in each morning: who is on which input, and what network and power carry. */
const { now } = defineProps<{ now: NightsNow }>();
const evaluation = useEvaluation();
const own = useMeasures();

const moments = computed(() => {
  const done = now.tasks.filter(({ id }) => now.progress[id]?.kind === 'done').map(({ id }) => id);
  let so: string[] = [];
  return [
    { id: 'before', label: 'Before', date: 'the old site', done: [] as string[] },
    ...(done.length > 0 ? [{ id: 'now', label: 'As it is now', date: 'by what is done', done }] : []),
    ...now.nights.map((night, index) => {
      so = [
        ...so,
        ...night.jobs.map(({ job }) => job.id).filter((id) => night.actual[id]?.how !== 'put-back'),
      ];
      return { id: night.date, label: `After night ${index + 1}`, date: dateWords(night.date), done: so };
    }),
  ];
});
const at = ref(1);
const shown = computed(() => moments.value[Math.min(at.value, moments.value.length - 1)]!);
const picture = shallowRef<MorningPicture | null>(null);
watch(
  [shown, () => now],
  async () => {
    const of = shown.value;
    const told = await evaluation.morning([...of.done]);
    if (of === shown.value) picture.value = told;
  },
  { immediate: true },
);
const step = (by: number) => (at.value = Math.max(0, Math.min(moments.value.length - 1, at.value + by)));
useKeys([
  { keys: ['ArrowRight'], label: 'next morning', group: 'Mornings', run: () => step(1) },
  { keys: ['ArrowLeft'], label: 'morning before', group: 'Mornings', run: () => step(-1) },
]);
</script>

<template>
  <div class="mornings">
    <nav class="moments" aria-label="Mornings">
      <button
        v-for="(moment, k) in moments"
        :key="moment.id"
        type="button"
        class="plain"
        :aria-current="moment.id === shown.id"
        @click="at = k"
      >
        <b>{{ moment.label }}</b> <span class="mono dim tiny">{{ moment.date }}</span>
      </button>
    </nav>
    <section
      v-if="picture"
      class="picture"
      :aria-label="`${shown.label}, ${shown.date}`"
      :data-morning="shown.id"
    >
      <p v-for="why in picture.wrong" :key="why" class="stop">{{ why }}</p>
      <p v-if="picture.wrong.length === 0" class="legal">
        Every recorder is legal, and nothing in network or power is asked for more than it has.
      </p>
      <div
        v-for="{ recorder, slots, ipInputs } in picture.recorders"
        :key="recorder.id"
        :data-recorder="recorder.id"
      >
        <h3>{{ recorder.name }}</h3>
        <RecorderSlots :slots="slots" :ip-inputs="ipInputs" />
      </div>
      <h3>Network and power</h3>
      <table>
        <tbody>
          <tr v-for="({ name, load }, k) in picture.loads" :key="k">
            <td>{{ name }}</td>
            <td class="dim">{{ load.label }}</td>
            <td><MarginBar :utilisation="load.utilisation" :state="load.status" /></td>
            <td class="mono num">
              {{ own.quantity(load.used, load.unit) }} of {{ own.quantity(load.most, load.unit) }}
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <p v-else class="empty" aria-busy="true">The morning is worked out…</p>
  </div>
</template>

<style scoped>
.mornings {
  display: grid;
  grid-template-columns: 190px minmax(0, 1fr);
  gap: 20px;
  align-content: start;
}
.moments {
  display: grid;
  gap: 2px;
  align-content: start;
}
.moments button {
  display: flex;
  gap: 8px;
  align-items: baseline;
  justify-content: space-between;
  padding: 4px 8px;
  border-left: 3px solid var(--rule-strong);
}
.moments [aria-current='true'] {
  border-color: var(--copper);
  background: var(--copper-3);
}
.picture {
  display: grid;
  gap: 10px;
  align-content: start;
}
.legal {
  border-left: 3px solid var(--verdigris);
  padding: 4px 10px;
  background: var(--verdigris-3);
}
td {
  padding: 2px 14px 2px 0;
  border-bottom: 1px solid var(--rule);
  font-size: 12px;
}
.num {
  text-align: right;
}
@media (max-width: 700px) {
  .mornings {
    grid-template-columns: 1fr;
  }
}
</style>
