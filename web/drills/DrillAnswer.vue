<script setup lang="ts">
import { computed, ref } from 'vue';
import {
  answerProblems,
  causesOf,
  decisions,
  evenChances,
  withChance,
  type Answer,
  type Drill,
} from '#core/test/drills';
import { causeWords, type Cause } from '#core/test/diagnosis';
import FieldRow from '../parts/FieldRow.vue';
import PicksField from '../parts/PicksField.vue';
import QuantityField from '../parts/QuantityField.vue';

/** What somebody makes of it: chances that come to one, a metre with its spread, what to do, and a word for the record. */
const { drill } = defineProps<{ drill: Drill; timeIsOver: boolean }>();
const emit = defineEmits<{ say: [answer: Answer]; back: [] }>();
const causes = computed(() => causesOf(drill));
const chances = ref(evenChances(causesOf(drill)));
const set = (cause: Cause, percent: number) =>
  (chances.value = withChance(chances.value, cause, percent / 100));
const isSomewhere = ref(false);
const atM = ref<number | null>(null);
const spreadM = ref<number | null>(null);
const picked = ref<string[]>([]);
const note = ref('');
const problems = ref<string[]>([]);
const choices = decisions.map(({ id, label, cost, perM }) => ({
  value: id,
  label: `${label} (${Math.round(cost + (perM ?? 0) * drill.line.lengthM)})`,
}));
function say(): void {
  if (isSomewhere.value && (atM.value === null || spreadM.value === null)) {
    problems.value = ['Say at which metre it is, and how far off that may be.'];
    return;
  }
  const answer: Answer = {
    chances: chances.value,
    metre: isSomewhere.value ? { atM: atM.value!, spreadM: spreadM.value! } : null,
    decisions: picked.value,
    note: note.value,
  };
  problems.value = answerProblems(answer, drill.line.lengthM);
  if (problems.value.length === 0) emit('say', answer);
}
</script>

<template>
  <section aria-label="What it is">
    <h2>What it is</h2>
    <p v-if="timeIsOver" class="caution">The shift is over. Say what you know.</p>
    <p class="dim tiny">How sure are you of each? They come to 100 % together.</p>
    <div v-for="cause in causes" :key="cause" class="cause">
      <label :for="`chance-${cause}`" :title="causeWords[cause].means">{{ causeWords[cause].label }}</label>
      <input
        :id="`chance-${cause}`"
        type="range"
        min="0"
        max="100"
        step="1"
        :value="Math.round(100 * (chances[cause] ?? 0))"
        @input="(event) => set(cause, Number((event.target as HTMLInputElement).value))"
      />
      <span class="mono">{{ Math.round(100 * (chances[cause] ?? 0)) }} %</span>
    </div>
    <label class="somewhere"
      ><input v-model="isSomewhere" type="checkbox" /> It is at a metre of the line</label
    >
    <template v-if="isSomewhere">
      <FieldRow label="From the head end"
        ><QuantityField :value="atM" unit="m" label="From the head end" @take="(m) => (atM = m)"
      /></FieldRow>
      <FieldRow label="Give or take"
        ><QuantityField :value="spreadM" unit="m" label="Give or take" @take="(m) => (spreadM = m)"
      /></FieldRow>
    </template>
    <FieldRow label="What is to be done"
      ><PicksField
        :values="picked"
        :choices="choices"
        label="What is to be done"
        @take="(ids) => (picked = [...ids])"
    /></FieldRow>
    <label class="note"
      >For the record
      <textarea v-model="note" rows="2" maxlength="400" aria-label="For the record" />
    </label>
    <div v-if="problems.length > 0" class="stop" role="alert">
      <p v-for="one in problems" :key="one">{{ one }}</p>
    </div>
    <p class="row">
      <button type="button" class="btn go" @click="say">That is my answer</button>
      <button v-if="!timeIsOver" type="button" class="btn" @click="emit('back')">Measure on</button>
    </p>
  </section>
</template>

<style scoped>
.cause {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 110px 42px;
  gap: 8px;
  align-items: center;
  min-height: 26px;
}
.cause .mono {
  text-align: right;
}
input[type='range'] {
  min-height: 24px;
  accent-color: var(--verdigris);
}
.somewhere {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 28px;
}
.note {
  display: block;
  padding: 6px 0;
}
textarea {
  width: 100%;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
}
.row {
  gap: 8px;
}
</style>
