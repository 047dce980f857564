<script setup lang="ts">
import { useIntervalFn, useLocalStorage } from '@vueuse/core';
import { computed, ref } from 'vue';
import { gateStateOf } from '#core/cutover/gates';
import type { NightsNow } from '#core/evaluate';
import type { GateName } from '#core/model/site';
import PickField from '../../parts/PickField.vue';
import { beginOf } from '../../workers/nightClock';
import { dateWords } from '../../parts/dateWords';
import { useNights } from '../../stores/nights';
import { useOpenSite } from '../../stores/openSite';
import GateCard from './GateCard.vue';
import NightTask from './NightTask.vue';

/** The night itself, task after task, in one wet hand and in the dark. */
const { now } = defineProps<{ now: NightsNow }>();
const nights = useNights();
const openSite = useOpenSite();
const clockMs = ref(Date.now());
useIntervalFn(() => (clockMs.value = Date.now()), 5000);

const chosenDate = ref<string | null>(null);
/** The night that is worked, else the next one, else the last. */
const night = computed(
  () =>
    now.nights.find(({ date }) => date === chosenDate.value) ??
    now.nights.find(({ state }) => state === 'under-way') ??
    now.nights.find(({ state }) => state === 'to-come') ??
    now.nights.at(-1) ??
    null,
);
const index = computed(() => now.nights.findIndex((one) => one === night.value));
const dates = computed(() =>
  now.nights.map(({ date }, k) => ({ value: date, label: `Night ${k + 1}, ${dateWords(date)}` })),
);
const everybody = 'everybody';
/** Whose tasks are shown: each has his own phone. */
const whose = useLocalStorage('neotrope-night-person', everybody);
const people = computed(() => [
  { value: everybody, label: 'Everybody' },
  ...now.crew.map(({ id, name }) => ({ value: id, label: name })),
]);
const shownTo = computed(() => (now.crew.some(({ id }) => id === whose.value) ? whose.value : everybody));

const minutesNow = computed(() =>
  night.value ? (clockMs.value - beginOf(night.value.date, now.settings.shift.start)) / 60_000 : 0,
);
const clockWords = computed(() =>
  new Date(clockMs.value).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' }),
);
const jobs = computed(() => {
  const { value: one } = night;
  if (!one) return [];
  const place = now.crew.findIndex(({ id }) => id === shownTo.value);
  return one.jobs.filter(({ team }) => place < 0 || team.includes(place));
});
const isEnded = (id: string): boolean => night.value?.actual[id]?.end != null;
const ended = computed(() => jobs.value.filter(({ job }) => isEnded(job.id)).length);
const openedId = ref<string | null>(null);
/** The task in hand: the one that was opened, else one under way, else the next. */
const inHand = computed(
  () =>
    jobs.value.find(({ job }) => job.id === openedId.value) ??
    jobs.value.find(({ job }) => night.value?.actual[job.id] && !isEnded(job.id)) ??
    jobs.value.find(({ job }) => !night.value?.actual[job.id]) ??
    null,
);
const recordOf = (gate: GateName) => gateStateOf(openSite.value, night.value?.date ?? '', gate).record;
const hasGone = computed(() => recordOf('start')?.said?.go === true);
const allEnded = computed(() => jobs.value.length > 0 && ended.value === jobs.value.length);
const viewName = (id: string): string => {
  const camera = openSite.value.camera[id];
  return camera ? `${camera.number} ${camera.name}` : id;
};
const marks = { done: '✓', 'put-back': '↩' } as const;
const markOf = (id: string): string => {
  const tried = night.value?.actual[id];
  if (!tried) return '';
  return tried.how ? marks[tried.how] : '▸';
};
</script>

<template>
  <div class="tonight">
    <p v-if="!night" class="empty">
      <strong>No night is agreed yet.</strong>Plan the nights first; then each is worked from here.
    </p>
    <template v-else>
      <div class="top row">
        <b>Night {{ index + 1 }}</b>
        <span class="dim">{{ ended }} of {{ jobs.length }} done</span>
        <span class="push" />
        <span class="mono clock">{{ clockWords }}</span>
      </div>
      <div
        class="progress"
        role="progressbar"
        aria-label="Tasks done"
        :aria-valuenow="ended"
        aria-valuemin="0"
        :aria-valuemax="jobs.length"
      >
        <span :style="{ width: `${jobs.length ? (100 * ended) / jobs.length : 0}%` }" />
      </div>
      <div class="row picks">
        <PickField :value="night.date" :choices="dates" label="Night" @take="(date) => (chosenDate = date)" />
        <PickField :value="shownTo" :choices="people" label="Whose tasks" @take="(id) => (whose = id)" />
      </div>
      <GateCard
        v-if="!hasGone && night.state !== 'over'"
        :night="night.date"
        gate="before"
        :not-ticked="night.openBefore.map(nights.titleOf)"
        is-folded
      />
      <GateCard :night="night.date" gate="start" />
      <section v-if="night.darkNow.length > 0" class="dark-now" aria-label="Dark now">
        <h2>Dark now</h2>
        <p v-for="one in night.darkNow" :key="one.view" class="row">
          <span>{{ viewName(one.view) }}</span><span class="push" /><span class="mono"
            >{{ Math.max(0, Math.round(minutesNow - one.since)) }} min</span
          >
        </p>
      </section>
      <NightTask
        v-if="inHand"
        :key="inHand.job.id"
        :planned="inHand"
        :night="night"
        :now="now"
        :minutes-now="minutesNow"
        :may-begin="hasGone"
        @next="openedId = null"
      />
      <GateCard v-if="allEnded || recordOf('dawn')" :night="night.date" gate="dawn" />
      <section aria-label="Tasks of the night">
        <h2>{{ shownTo === everybody ? 'All of this night' : 'Yours of this night' }}</h2>
        <button
          v-for="{ job, start, latestStart } in jobs"
          :key="job.id"
          type="button"
          class="plain task"
          :class="{ here: job.id === inHand?.job.id }"
          :aria-current="job.id === inHand?.job.id"
          :data-tonight="job.id"
          @click="openedId = job.id"
        >
          <span class="mark">{{ markOf(job.id) }}</span>
          <span class="name">{{ nights.titleOf(job.id) }}</span>
          <span class="mono dim">{{ nights.clock(start) }}</span>
          <span class="mono latest" :title="`not after ${nights.clock(latestStart)}`">{{
            nights.clock(latestStart)
          }}</span>
        </button>
        <p class="tiny dim">Planned begin, and in red the latest start that leaves time to go back.</p>
      </section>
    </template>
  </div>
</template>

<style scoped>
.tonight {
  display: grid;
  gap: 10px;
  align-content: start;
  max-width: 560px;
  font-size: 15px;
}
.clock {
  font-size: 17px;
}
.progress {
  height: 6px;
  background: var(--rule);
}
.progress span {
  display: block;
  height: 6px;
  background: var(--copper);
}
.picks {
  gap: 8px;
}
.picks > * {
  flex: 1;
  min-width: 0;
}
.dark-now {
  border-left: 4px solid var(--ink);
  padding: 6px 12px;
  background: var(--sheet);
}
h2 {
  padding-bottom: 4px;
}
.task {
  display: grid;
  grid-template-columns: 22px minmax(0, 1fr) auto auto;
  gap: 8px;
  align-items: center;
  width: 100%;
  min-height: 48px;
  padding: 4px 8px;
  border-bottom: 1px solid var(--rule);
}
.task.here {
  background: var(--copper-3);
}
.latest {
  color: var(--madder);
}
</style>
