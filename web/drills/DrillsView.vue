<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef } from 'vue';
import { useRouter } from 'vue-router';
import {
  authoredDrills,
  checkDrill,
  drillCode,
  progressOf,
  readDrillCode,
  reliability,
  resultsCsv,
  type Drill,
} from '#core/test/drills';
import { problemLine } from '#core/shared/problems';
import TextField from '../parts/TextField.vue';
import { useDrills } from '../stores/drills';
import { downloadBlob } from '../tables/useTables';
import DrillHelp from './DrillHelp.vue';
import { drillFormOf } from './drillForm';
import ReliabilityChart from './ReliabilityChart.vue';

/** Drills to learn finding faults by: those that were written, ones that are drawn, and how far somebody is. */
const drills = useDrills();
const router = useRouter();
onMounted(() => {
  document.title = 'Drills, Neotrope';
  void drills.share();
});

const code = ref('');
const problem = ref<string[]>([]);
const open = (id: string) => void router.push({ name: 'drill', params: { drillId: id } });
function openCode(): void {
  const read = readDrillCode(code.value);
  problem.value = read ? [] : [`“${code.value}” is no code of a drill, such as 2-K7QF.`];
  if (read) open(drillCode(read.level, read.seed));
}
const letters = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';
/** One that nobody has seen yet, at the level that was reached. */
function drawOne(): void {
  const dice = crypto.getRandomValues(new Uint8Array(4));
  open(drillCode(drills.level, [...dice].map((die) => letters[die % letters.length]).join('')));
}
const bestOf = ({ id }: Drill): string => {
  const points = drills.mine.filter(({ drill }) => drill === id).map(({ total }) => total);
  if (points.length > 0) return `${Math.max(...points)} points`;
  return drills.movesOf(id).length > 0 ? 'begun' : '';
};
const points = computed(() => reliability(drills.mine));
const csv = () => downloadBlob(new Blob([resultsCsv(drills.all)], { type: 'text/csv' }), 'drill-results.csv');

const file = useTemplateRef('file');
async function take(): Promise<void> {
  const chosen = file.value?.files?.[0];
  if (!chosen || !file.value) return;
  let data: unknown;
  try {
    data = JSON.parse(await chosen.text());
  } catch {
    data = null;
  }
  file.value.value = '';
  const read = checkDrill(data);
  problem.value = read.kind === 'refused' ? read.problems.map(problemLine) : [];
  if (read.kind === 'sound') drills.keep(read.value);
}
const out = (drill: Drill) =>
  downloadBlob(
    new Blob([`${JSON.stringify(drill, null, 1)}\n`], { type: 'application/json' }),
    `${drill.id}.drill.json`,
  );
const everybody = computed(() => progressOf(drills.all));
const lastTen = computed(() => [...drills.all].reverse().slice(0, 10));
</script>

<template>
  <main class="drills">
    <p class="row">
      <RouterLink to="/">All sites</RouterLink><span class="push" /><DrillHelp view="list" title="Drills" />
    </p>
    <h1>Drills</h1>
    <p class="dim lead">
      A line that hides what is wrong with it, a tester, and a shift. Find it, say how sure you are, and
      decide.
    </p>
    <div v-if="problem.length > 0" class="stop" role="alert">
      <p v-for="one in problem" :key="one">{{ one }}</p>
    </div>
    <section class="begin" aria-label="Begin">
      <b v-if="drills.signedInAs">{{ drills.signedInAs }}</b>
      <TextField v-else :value="drills.person" label="Who plays" @take="(name) => (drills.person = name)" />
      <button type="button" class="btn go" @click="drawOne">Draw one of level {{ drills.level }}</button>
      <form class="row" @submit.prevent="openCode">
        <input
          v-model="code"
          class="field"
          aria-label="Code of a drill"
          placeholder="2-K7QF"
          maxlength="12"
        />
        <button type="submit" class="btn">Open the code</button>
      </form>
    </section>
    <section>
      <h2>Written ones</h2>
      <ul>
        <li v-for="one in authoredDrills" :key="one.id">
          <RouterLink :to="{ name: 'drill', params: { drillId: one.id } }">{{ one.title }}</RouterLink>
          <span class="dim tiny">level {{ one.level }}</span>
          <span class="mono tiny push">{{ bestOf(one) }}</span>
        </li>
      </ul>
    </section>
    <section>
      <h2>Your own</h2>
      <p class="row">
        <RouterLink class="btn small" to="/drills/new">Write one</RouterLink>
        <label class="btn small"
          >Take one in
          <input
            ref="file"
            type="file"
            class="hidden"
            accept="application/json,.json"
            aria-label="Drill to take in"
            @change="take"
        /></label>
      </p>
      <ul>
        <li v-for="one in drills.own" :key="one.id">
          <RouterLink :to="{ name: 'drill', params: { drillId: one.id } }">{{ one.title }}</RouterLink>
          <span class="dim tiny">level {{ one.level }}</span>
          <span class="mono tiny push">{{ bestOf(one) }}</span>
          <RouterLink
            v-if="drillFormOf(one)"
            class="btn small"
            :to="{ name: 'change-drill', params: { drillId: one.id } }"
            >Change<span class="out-of-sight"> {{ one.title }}</span></RouterLink
          >
          <button
            type="button"
            class="btn small"
            :aria-label="`Write ${one.title} to a file`"
            @click="out(one)"
          >
            File
          </button>
          <button
            type="button"
            class="btn small"
            :aria-label="`Take away ${one.title}`"
            @click="drills.remove(one.id)"
          >
            ×
          </button>
        </li>
      </ul>
    </section>
    <section v-if="drills.all.length > 0" aria-label="Results">
      <h2>Results</h2>
      <div class="results">
        <table aria-label="Results">
          <thead>
            <tr>
              <th>Who</th>
              <th>Drill</th>
              <th class="num">Points</th>
              <th class="num">Minutes</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in lastTen" :key="`${one.by} ${one.drill} ${one.at}`">
              <td>{{ one.by }}</td>
              <td>{{ one.title }}</td>
              <td class="num mono">{{ one.total }}</td>
              <td class="num mono">{{ Math.round(one.minutes) }}</td>
            </tr>
          </tbody>
        </table>
        <table v-if="everybody.length > 1" aria-label="How far everybody is">
          <thead>
            <tr>
              <th>Who</th>
              <th class="num">Drills</th>
              <th class="num">Points, first time</th>
              <th class="num">Level</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in everybody" :key="one.by">
              <td>{{ one.by }}</td>
              <td class="num mono">{{ one.drills }}</td>
              <td class="num mono">{{ Math.round(one.points) }}</td>
              <td class="num mono">{{ one.level }}</td>
            </tr>
          </tbody>
        </table>
        <ReliabilityChart v-if="points.length > 0" :points="points" />
      </div>
      <p class="row"><button type="button" class="btn small" @click="csv">All as CSV</button></p>
    </section>
  </main>
</template>

<style scoped>
.drills {
  max-width: 860px;
  margin: 0 auto;
  padding: 24px 16px 60px;
}
.begin {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  padding: 10px 0 16px;
}
.begin > :first-child {
  width: 180px;
}
ul {
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 30px;
  border-top: 1px solid var(--rule);
}
section {
  padding-bottom: 14px;
}
.results {
  display: flex;
  flex-wrap: wrap;
  gap: 20px;
  align-items: flex-start;
}
table {
  flex: 1;
  min-width: 260px;
  border-collapse: collapse;
}
th,
td {
  padding: 3px 8px 3px 0;
  border-top: 1px solid var(--rule);
  text-align: left;
}
.num {
  text-align: right;
}
.field {
  width: 110px;
  min-height: 28px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
}
.hidden {
  position: absolute;
  width: 1px;
  height: 1px;
  opacity: 0;
}
.btn:focus-within {
  outline: 2px solid var(--verdigris);
  outline-offset: 2px;
}
.drills :deep(.btn.small) {
  display: inline-flex;
  align-items: center;
  min-height: 26px;
}
li .push {
  margin-left: auto;
}
</style>
