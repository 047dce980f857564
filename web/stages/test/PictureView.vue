<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { RunSummary } from '#core/evaluate';
import { faultsLossDb, formatCheck, ghostLengthM, interlock, touchLimits } from '#core/test/findings';
import { readingsByRun } from '#core/test/readings';
import {
  microsecondsOfLine,
  percentOfLine,
  quayScene,
  simulate,
  symptomEffects,
  symptoms,
  type Symptom,
} from '#core/physics/picture';
import { pictureFormat } from '#core/physics/signal';
import { symptomWords, testDefinition } from '#core/model/site';
import QuantityField from '../../parts/QuantityField.vue';
import { within } from '../../parts/within';
import { useMeasures } from '../../stores/measures';
import { useOpenSite } from '../../stores/openSite';
import SeenPicture from '../../parts/SeenPicture.vue';
import { useTaking } from './taking';

/** What the picture should look like over this run, what trouble looks like, and what was seen. */
const { evaluation } = defineProps<{ evaluation: RunSummary }>();
const openSite = useOpenSite();
const own = useMeasures();
const { take, problem } = useTaking();

const large = quayScene(420, 236);
const small = quayScene(168, 94);
const format = computed(() => pictureFormat(evaluation.camera.format));
const stretches = computed(() => evaluation.run.segments.map(({ cable, lengthM }) => ({ cable, lengthM })));
const readings = computed(() => readingsByRun(openSite.value).get(evaluation.run.id) ?? {});
const held = computed(() =>
  interlock(
    testDefinition('picture'),
    evaluation.run,
    readings.value,
    touchLimits(openSite.value, evaluation.run, evaluation.camera),
  ),
);
const check = computed(() => formatCheck(openSite.value, evaluation.run, evaluation.camera));

const seen = ref<Symptom[]>([]);
const ghostUs = ref<number | null>(null);
function asRead(): void {
  seen.value = [...(readings.value.picture?.symptoms ?? [])];
  ghostUs.value = readings.value.picture?.ghostUs ?? null;
}
watch(() => [evaluation.run.id, readings.value.picture], asRead, { immediate: true });
const isNew = computed(
  () =>
    !readings.value.picture ||
    [...seen.value].sort().join() !== [...readings.value.picture.symptoms].sort().join() ||
    ghostUs.value !== (readings.value.picture.ghostUs ?? null),
);

const expected = computed(() =>
  simulate(large, {
    cable: {
      stretches: stretches.value,
      format: format.value,
      extraDb: faultsLossDb(evaluation.run, evaluation.findings.events),
    },
  }),
);
const shown = computed(() =>
  symptoms.map((symptom) => ({
    symptom,
    ...symptomWords[symptom],
    picture: simulate(
      small,
      symptomEffects(
        symptom,
        format.value,
        stretches.value,
        symptom === 'ghost' ? (ghostUs.value ?? undefined) : undefined,
      ),
    ),
  })),
);
/** A person holds a ruler to the screen; the echo runs in microseconds of the line. */
const ghostPercent = computed({
  get: () => (ghostUs.value === null ? null : percentOfLine(format.value, ghostUs.value)),
  set: (percent) => (ghostUs.value = percent === null ? null : microsecondsOfLine(format.value, percent)),
});
const ghostM = computed(() => (ghostUs.value === null ? null : ghostLengthM(evaluation.run, ghostUs.value)));

function toggle(symptom: Symptom): void {
  seen.value = seen.value.includes(symptom)
    ? seen.value.filter((one) => one !== symptom)
    : [...seen.value, symptom];
}
function takeSeen(): void {
  const ghost = seen.value.includes('ghost') && ghostUs.value !== null ? { ghostUs: ghostUs.value } : {};
  take(evaluation.run, evaluation.camera.number, { test: 'picture', symptoms: seen.value, ...ghost });
}
const line = computed(() => evaluation.findings.verdicts.find(({ id }) => id === 'picture'));
</script>

<template>
  <div class="pictures">
    <section class="left">
      <h2>How it should look over this run</h2>
      <SeenPicture
        :picture="expected"
        :label="`The picture as computed over ${own.quantity(evaluation.lengthM, 'm')}`"
      />
      <p class="dim tiny">
        {{ format.label }} over {{ own.quantity(evaluation.lengthM, 'm') }}:
        {{ own.quantity(line?.expected?.value ?? 0, 'dB') }} lost at {{ format.topMHz }} MHz. Computed from
        the cable as noted{{ evaluation.findings.events.length ? ' and the trace' : '' }}.
      </p>
      <h2>Camera and input</h2>
      <p v-if="check.agrees">Format and line standard agree at both ends.</p>
      <ul v-else class="caution">
        <li v-for="one in check.wrong" :key="one">{{ one }}</li>
      </ul>
      <h3>Before a format is forced</h3>
      <ol class="before">
        <li v-for="one in check.before" :key="one">{{ one }}</li>
      </ol>
    </section>
    <section>
      <h2>What do you see?</h2>
      <div class="grid" role="group" aria-label="Symptoms">
        <button
          v-for="one in shown"
          :key="one.symptom"
          type="button"
          class="one"
          :aria-pressed="seen.includes(one.symptom)"
          :data-symptom="one.symptom"
          @click="toggle(one.symptom)"
        >
          <SeenPicture :picture="one.picture" :label="one.seen" />
          <b>{{ one.label }}</b><span class="tiny dim">{{ one.seen }}</span>
        </button>
      </div>
      <div v-if="seen.includes('ghost')" class="row ghost">
        <label class="row"
          >The ghost stands
          <QuantityField
            :value="ghostPercent"
            unit="%"
            label="Ghost to the right"
            :digits="1"
            :allowed="within(0.1, 100, '%')"
            clearable
            @take="(percent) => (ghostPercent = percent)"
            @clear="ghostPercent = null"
          />
          of the picture’s width to the right</label
        >
        <span v-if="ghostM !== null"
          ><span class="mono">{{ ghostUs?.toFixed(2) }} µs</span>: an echo over
          <b class="mono">{{ own.quantity(ghostM, 'm') }}</b> of this run, counted from either end.</span
        >
      </div>
      <p v-if="held" class="dim">{{ held }}</p>
      <div class="row foot">
        <button type="button" class="btn go" :disabled="held !== undefined || !isNew" @click="takeSeen">
          {{
            seen.length === 0
              ? 'Take it as clean'
              : `Take: ${seen.map((symptom) => symptomWords[symptom].label.toLowerCase()).join(', ')}`
          }}
        </button>
        <button
          v-if="isNew && (seen.length > 0 || readings.picture)"
          type="button"
          class="btn"
          @click="asRead"
        >
          {{ readings.picture ? 'As it was read' : 'None of them' }}
        </button>
      </div>
      <p v-if="problem" class="caution" role="alert">{{ problem }}</p>
    </section>
  </div>
</template>

<style scoped>
.pictures {
  display: grid;
  grid-template-columns: minmax(0, 0.8fr) minmax(0, 1.2fr);
  gap: 22px;
}
section {
  display: grid;
  gap: 7px;
  align-content: start;
}
.before {
  list-style: decimal outside;
  padding-left: 18px;
  display: grid;
  gap: 3px;
  font-size: 12px;
  color: var(--ink-2);
}
.grid {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px;
}
.one {
  display: grid;
  gap: 1px;
  text-align: left;
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 4px;
  cursor: pointer;
  border-radius: 3px;
}
.one:hover {
  border-color: var(--ink-3);
}
.one[aria-pressed='true'] {
  border-color: var(--copper);
  background: var(--copper-3);
  box-shadow: inset 0 0 0 1px var(--copper);
}
.ghost {
  align-items: center;
  flex-wrap: wrap;
}
.ghost label {
  align-items: center;
}
.ghost :deep(.quantity) {
  width: 76px;
}
@media (max-width: 900px) {
  .pictures {
    grid-template-columns: 1fr;
  }
  .grid {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
}
</style>
