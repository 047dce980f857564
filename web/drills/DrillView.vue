<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import { useRoute } from 'vue-router';
import {
  diagnosisOf,
  drillRunId,
  foundWords,
  minutesOf,
  played,
  replayed,
  resultOf,
  testsAtHand,
  type Answer,
  type Debrief,
  type DrillMove,
  type DrillPlay,
} from '#core/test/drills';
import { cableLabel } from '#core/physics/cable';
import { testDefinition, type RunState, type TestId } from '#core/model/site';
import { useKeys } from '../keys/keys';
import { useDrills } from '../stores/drills';
import { useMeasures } from '../stores/measures';
import DrillAnswer from './DrillAnswer.vue';
import { debriefOn, readyToDebrief } from './debriefOn';
import DrillDebrief from './DrillDebrief.vue';
import DrillHelp from './DrillHelp.vue';
import DrillSeen from './DrillSeen.vue';

/** A drill from its call to its debrief: what is measured spends the minutes of a shift. */
const route = useRoute();
const drills = useDrills();
const own = useMeasures();
const id = computed(() => String(route.params['drillId']));
const drill = computed(() => drills.drillOf(id.value));
const play = ref<DrillPlay | null>(null);
const moves = ref<DrillMove[]>([]);
const answer = ref<Answer | null>(null);
const answering = ref(false);
/** What is told of the answer, once it is worked out. */
const debrief = shallowRef<Debrief | null>(null);
const hint = ref('');
const meterProved = ref(false);
readyToDebrief();
const nothingSaid: Answer = { chances: {}, metre: null, decisions: [], note: '' };
watch(
  drill,
  (now) => {
    document.title = `${now?.title ?? 'Drill'}, Neotrope`;
    moves.value = now ? drills.movesOf(now.id) : [];
    play.value = now ? replayed(now, moves.value) : null;
    [answer.value, debrief.value] = [null, null];
    answering.value = play.value?.ended?.kind === 'time';
    hint.value = '';
    if (play.value?.ended?.kind === 'unsafe') void close(nothingSaid);
  },
  { immediate: true },
);

function move(next: DrillMove): void {
  if (!play.value || answer.value || play.value.ended) return;
  play.value = played(play.value, next);
  moves.value = [...moves.value, next];
  drills.keepMoves(play.value.drill.id, moves.value);
  if (play.value.ended?.kind === 'unsafe') void close(nothingSaid);
  else if (play.value.ended) answering.value = true;
}
/** What was said is put on record once; the moves are not needed any more. */
async function close(said: Answer): Promise<void> {
  const { value: now } = play;
  if (!now || answer.value) return;
  answer.value = said;
  const told = await debriefOn(now, moves.value, said);
  drills.end(
    resultOf(
      now.drill,
      { score: told.score, answer: said, minutes: now.minutes, unsafe: now.ended?.kind === 'unsafe' },
      { by: drills.person, at: new Date().toISOString() },
    ),
  );
  drills.forget(now.drill.id);
  // Meanwhile another drill may have been opened.
  if (play.value === now) debrief.value = told;
}
function again(): void {
  if (!drill.value) return;
  moves.value = [];
  [answer.value, debrief.value] = [null, null];
  answering.value = false;
  hint.value = '';
  play.value = replayed(drill.value, []);
}

const state = computed<RunState>(() => play.value?.site.run[drillRunId]?.state ?? 'live');
const states: { id: RunState; label: string; key: string }[] = [
  { id: 'live', label: 'Live', key: 'l' },
  { id: 'isolated', label: 'Isolated', key: 'i' },
  { id: 'disconnected', label: 'Both ends off', key: 'd' },
];
const keysOfTests = '1234567890qwerty';
const tests = computed(() => {
  const { value: now } = play;
  if (!now) return [];
  return testsAtHand(now).map((test, index) => ({
    test,
    label: testDefinition(test).label,
    key: keysOfTests[index]!,
    ...minutesOf(now, test),
    reading: now.readings[test],
  }));
});
const doTest = (test: TestId) => move({ kind: 'test', test, meterProved: meterProved.value });
function giveHint(): void {
  const { value: now } = play;
  if (!now || answer.value || now.ended) return;
  move({ kind: 'hint' });
  const atHand = new Set(testsAtHand(now));
  const best = diagnosisOf(now).next.find(({ test }) => atHand.has(test.id));
  hint.value = best
    ? `${best.test.label} would tell most for its minutes now.`
    : 'No test at hand would tell much more.';
}
const log = computed(() =>
  (play.value?.steps ?? []).map((step) => ({
    at: step.at,
    minutes: step.minutes,
    what:
      step.move.kind === 'state'
        ? `Run ${states.find(({ id: one }) => one === (step.move as { to: RunState }).to)!.label.toLowerCase()}`
        : step.move.kind === 'test'
          ? testDefinition(step.move.test).label
          : 'Hint',
    found: step.reading && play.value ? foundWords(play.value, step.reading) : '',
  })),
);
const left = computed(() => (play.value ? Math.max(0, play.value.drill.minutes - play.value.minutes) : 0));

useKeys([
  ...states.map(({ id: to, label, key }) => ({
    keys: [key],
    label: `run ${label.toLowerCase()}`,
    group: 'Drill',
    run: () => move({ kind: 'state', to }),
  })),
  ...[...keysOfTests].map((key, index) => ({
    keys: [key],
    label: `test ${index + 1}`,
    group: 'Drill',
    run: () => {
      const test = tests.value[index]?.test;
      if (test && !answering.value) doTest(test);
    },
  })),
  {
    keys: ['m'],
    label: 'meter proved',
    group: 'Drill',
    run: () => (meterProved.value = !meterProved.value),
  },
  { keys: ['h'], label: 'a hint', group: 'Drill', run: giveHint },
  { keys: ['a'], label: 'say what it is', group: 'Drill', run: () => (answering.value = !!play.value) },
]);
</script>

<template>
  <main class="drill">
    <p class="row">
      <RouterLink to="/drills">All drills</RouterLink><span class="push" /><DrillHelp
        view="drill"
        title="A drill"
      />
    </p>
    <p v-if="!play" class="empty"><strong>There is no such drill.</strong>Its code may be mistyped.</p>
    <template v-else>
      <div class="row head">
        <h1>{{ play.drill.title }}</h1>
        <span class="push" />
        <span class="mono clock" :aria-label="`${Math.round(left)} minutes left`"
          >{{ Math.round(left) }} min left</span
        >
      </div>
      <blockquote>{{ play.drill.call }}</blockquote>
      <DrillDebrief
        v-if="answer && debrief"
        :play="play"
        :answer="answer"
        :debrief="debrief"
        @again="again"
      />
      <p v-else-if="answer" class="empty" aria-busy="true">What it was worth is worked out…</p>
      <div v-else class="body">
        <section aria-label="The run">
          <p>
            {{ play.drill.place.name }},
            {{ play.drill.place.by === 'ground' ? 'from the ground' : `by ${play.drill.place.by}` }}; noted as
            {{ Math.round(play.drill.line.lengthM) }} ± {{ Math.round(play.drill.line.spreadM) }} m of
            {{ cableLabel(play.drill.line.cable, own.measures.gauge) }}
          </p>
          <div class="row states" role="group" aria-label="The run is">
            <button
              v-for="one in states"
              :key="one.id"
              type="button"
              class="btn small"
              :class="{ on: one.id === state }"
              :aria-pressed="one.id === state"
              @click="move({ kind: 'state', to: one.id })"
            >
              {{ one.label }} <kbd>{{ one.key }}</kbd>
            </button>
          </div>
          <label class="proved"
            ><input v-model="meterProved" type="checkbox" /> The meter is proved before and after
            <kbd>m</kbd></label
          >
          <ul aria-label="Tests">
            <li v-for="one in tests" :key="one.test">
              <button type="button" class="plain test" :disabled="answering" @click="doTest(one.test)">
                <kbd>{{ one.key }}</kbd>
                <span class="name">{{ one.label }}</span>
                <span class="mono dim">{{ Math.round(one.minutes) }} min</span>
              </button>
            </li>
          </ul>
          <p class="row">
            <button type="button" class="btn small" @click="giveHint">A hint <kbd>h</kbd></button>
            <span class="dim tiny">three points each</span>
          </p>
          <p v-if="hint" class="hint" role="status">{{ hint }}</p>
          <p v-if="!answering">
            <button type="button" class="btn go" @click="answering = true">
              Say what it is <kbd>a</kbd>
            </button>
          </p>
        </section>
        <section aria-label="Log" class="log">
          <h2>Log</h2>
          <p v-if="log.length === 0" class="dim">Nothing is read yet. Foreign volts come first, always.</p>
          <ol>
            <li v-for="(line, index) in log" :key="index">
              <span class="mono dim">{{ Math.round(line.at) }}</span>
              <span
                ><b>{{ line.what }}</b> {{ line.found }}</span
              >
            </li>
          </ol>
          <DrillSeen
            v-if="play.readings.picture"
            :symptoms="play.readings.picture.symptoms"
            :site="play.site"
          />
        </section>
        <DrillAnswer
          v-if="answering"
          class="answer"
          :drill="play.drill"
          :time-is-over="play.ended?.kind === 'time'"
          @say="close"
          @back="answering = false"
        />
      </div>
    </template>
  </main>
</template>

<style scoped>
.drill {
  max-width: 1180px;
  margin: 0 auto;
  padding: 16px 16px 60px;
}
.clock {
  font-size: 18px;
}
blockquote {
  margin: 8px 0 14px;
  padding: 8px 12px;
  border-left: 3px solid var(--copper);
  background: var(--sheet);
}
.body {
  display: grid;
  grid-template-columns: minmax(260px, 330px) minmax(0, 1fr) minmax(280px, 360px);
  gap: 22px;
  align-items: start;
}
.states {
  flex-wrap: wrap;
  gap: 6px;
  padding: 8px 0;
}
.on {
  border-width: 2px;
  font-weight: 650;
}
ul,
ol {
  padding: 0;
  list-style: none;
}
.test {
  display: grid;
  grid-template-columns: 22px minmax(0, 1fr) auto;
  gap: 8px;
  width: 100%;
  min-height: 32px;
  align-items: center;
  border-top: 1px solid var(--rule);
  text-align: left;
}
.proved {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 28px;
}
.log li {
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr);
  gap: 6px;
  padding: 4px 0;
  border-top: 1px solid var(--rule);
  overflow-wrap: anywhere;
}
.hint {
  padding: 4px 0;
}
@media (max-width: 1000px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
  .test {
    min-height: 44px;
  }
}
.drill :deep(.btn.small) {
  min-height: 26px;
}
</style>
