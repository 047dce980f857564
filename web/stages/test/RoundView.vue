<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import { computed } from 'vue';
import type { RoundAim } from '#core/evaluate';
import { aboutOf, testDefinition } from '#core/model/site';
import { causeWords } from '#core/test/diagnosis';
import { counted } from '#core/shared/labels';
import { formatQuantity } from '#core/shared/units';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { roundOnDrawing } from '#core/test/round';
import { useOpenSite } from '../../stores/openSite';
import RoundMap from './RoundMap.vue';
import { savedInWords } from './savedInWords';
import { useRound } from './useRound';

/** Which tests to do in the time at hand, place by place, before any run is picked. */
const openSite = useOpenSite();
const hours = useLocalStorage('neotrope-round-hours', 2);
const aim = useLocalStorage<RoundAim>('neotrope-round-aim', 'tell');
const aims: { value: RoundAim; label: string }[] = [
  { value: 'tell', label: 'what they tell of the lines' },
  { value: 'save', label: 'the work they save' },
];
const round = useRound(
  () => hours.value * 60,
  () => aim.value,
);

const wayWords = { ground: '', ladder: ', ladder', lift: ', lift', rope: ', rope access' } as const;
const minutes = (of: number): string => `${Math.max(1, Math.round(of))} min`;
const cameraOf = (runId: string) => {
  const { run, camera } = openSite.value;
  return camera[run[runId]!.cameraId]!;
};
const stops = computed(() =>
  (round.value?.stops ?? []).map((stop) => {
    const place = openSite.value.place[stop.placeId]!;
    return {
      ...stop,
      name: stop.at === 'recorder' ? `At the recorder, ${place.name}` : place.name,
      way:
        stop.setUpMinutes > 0
          ? `${minutes(stop.setUpMinutes)} there and back${wayWords[place.access.by]}`
          : '',
      tests: [...stop.tests].sort((a, b) => cameraOf(a.runId).number - cameraOf(b.runId).number),
    };
  }),
);
const drawn = computed(() => roundOnDrawing(openSite.value, round.value?.stops ?? []));
const count = computed(() => stops.value.reduce((sum, { tests }) => sum + tests.length, 0));
const share = computed(() =>
  round.value && round.value.openWorth > 0
    ? Math.round((100 * round.value.worth) / round.value.openWorth)
    : 0,
);
const saved = computed(() => {
  const { worth: hours = 0, money = 0, nights = 0 } = round.value ?? {};
  return savedInWords({ hours, money, nights }, aboutOf(openSite.value).currency);
});
const nothing = computed(() => {
  if (round.value?.aim !== 'save') return 'No test is left that would tell enough in this time.';
  return Object.keys(openSite.value.choice).length === 0
    ? 'Nothing is chosen yet that a test could save work on: choose in Decide first, or look by what tests tell.'
    : 'No test is left in this time that what is chosen hangs on.';
});
/** What tested runs say of others, those together of which the same is said. */
const foretold = computed(() => {
  const together = new Map<string, { label: string; chance: number; message: string; numbers: number[] }>();
  for (const { runId, trouble, rate, message } of round.value?.foretold ?? []) {
    const chance = Math.round(100 * rate);
    const key = `${trouble} ${chance} ${message}`;
    const { label } = causeWords[trouble];
    const of = together.get(key) ?? { label: label.toLowerCase(), chance, message, numbers: [] };
    of.numbers.push(cameraOf(runId).number);
    together.set(key, of);
  }
  return [...together].map(([key, { numbers, ...of }]) => ({
    ...of,
    key,
    cameras: `${numbers.length === 1 ? 'Camera' : 'Cameras'} ${numbers.sort((a, b) => a - b).join(', ')}`,
  }));
});
const stopped = computed(() =>
  (round.value?.stoppedRunIds ?? []).map((id) => cameraOf(id).number).sort((a, b) => a - b),
);
</script>

<template>
  <section class="round" aria-label="The round">
    <div class="row head">
      <h2>The round</h2>
      <FieldRow label="Time at hand"
        ><QuantityField
          :value="hours"
          unit="h"
          label="Time at hand"
          :allowed="(value) => (value >= 0.25 && value <= 12 ? undefined : 'from 0.25 to 12 h')"
          @take="(value) => (hours = value)"
      /></FieldRow>
      <FieldRow label="Choose tests by"
        ><PickField :value="aim" :choices="aims" label="Choose tests by" @take="(next) => (aim = next)"
      /></FieldRow>
    </div>
    <p v-if="!round" class="dim" role="status">Working out what to test…</p>
    <template v-else>
      <p v-if="stopped.length > 0" class="stop" role="alert">
        Dangerous volts were read on {{ stopped.length === 1 ? 'run' : 'runs' }} {{ stopped.join(', ') }}. Do
        not touch these cables; get a licensed electrician.
      </p>
      <section v-if="foretold.length > 0" aria-label="What other runs tell" class="foretold">
        <h3>Before anybody goes there</h3>
        <p v-for="one in foretold" :key="one.key">
          <b>{{ one.cameras }}</b>: {{ one.label }} likely, {{ one.chance }} %. {{ one.message }}.
        </p>
      </section>
      <p v-if="count === 0" class="dim">{{ nothing }}</p>
      <p v-else>
        {{ counted(count, 'test') }} at {{ counted(stops.length, 'place') }} in
        {{ formatQuantity(round.minutes / 60, 'h') }}:
        <template v-if="round.aim === 'tell'">{{ share }} % of what all tests together could tell.</template
        ><template v-else
          >knowing first, before what is chosen is built, saves {{ saved }} on average, {{ share }} % of what
          all such tests could save.</template
        >
      </p>
      <div class="plan" :class="{ mapped: drawn }">
        <RoundMap v-if="drawn" :round="drawn" />
        <ol class="stops">
          <li v-for="(stop, index) in stops" :key="`${stop.at} ${stop.placeId}`" :data-place="stop.placeId">
            <h3>
              <span class="mono turn">{{ index + 1 }}</span>
              {{ stop.name }} <span class="dim tiny">{{ stop.way }}</span>
              <span class="mono time">{{ minutes(stop.minutes) }}</span>
            </h3>
            <ul>
              <li v-for="one in stop.tests" :key="`${one.runId} ${one.testId}`">
                <RouterLink :to="{ name: 'test', params: { ...$route.params, runId: one.runId } }"
                  ><span class="mono">{{ cameraOf(one.runId).number }}</span>
                  {{ cameraOf(one.runId).name }}</RouterLink
                >
                <span>{{ testDefinition(one.testId).label }}</span>
                <span class="mono">{{ minutes(one.minutes) }}</span>
              </li>
            </ul>
          </li>
        </ol>
      </div>
    </template>
  </section>
</template>

<style scoped>
.round {
  display: grid;
  gap: 8px;
}
.head {
  flex-wrap: wrap;
  gap: 4px 24px;
  align-items: center;
}
.plan {
  display: grid;
  gap: 16px 24px;
  max-width: 900px;
  align-items: start;
}
.plan.mapped {
  max-width: none;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
}
@media (max-width: 1000px) {
  .plan.mapped {
    grid-template-columns: minmax(0, 1fr);
  }
}
.turn {
  color: var(--copper);
}
.stops {
  display: grid;
  gap: 10px;
}
h3 {
  display: flex;
  gap: 10px;
  align-items: baseline;
  border-bottom: 1px solid var(--rule-strong);
}
.time {
  margin-left: auto;
}
ul li {
  display: grid;
  grid-template-columns: minmax(0, 220px) minmax(0, 1fr) auto;
  gap: 12px;
  padding: 3px 0;
  border-bottom: 1px solid var(--rule);
}
.stop {
  padding: 6px 12px;
  border-left: 3px solid var(--madder);
  background: var(--sheet);
}
</style>
