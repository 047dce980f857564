<script setup lang="ts">
import { LineChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { computed, ref, shallowRef, watch } from 'vue';
import VChart from 'vue-echarts';
import type { RunSummary } from '#core/evaluate';
import {
  comparedCurve,
  eventWords,
  interlock,
  touchLimits,
  keptTrace,
  nsAtMetres,
  runVelocityFactor,
  segmentVelocityFactor,
  type TraceView,
} from '#core/test/findings';
import { readingsByRun } from '#core/test/readings';
import { traceFromCsv } from '#core/physics/reflectometer';
import { withMeasuredEnd, withVelocityScaled, type TraceReading, testDefinition } from '#core/model/site';
import { useChartColours } from '../../charts/useChartColours';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { useEvaluation } from '../../stores/evaluation';
import { useOpenSite } from '../../stores/openSite';
import { useInstrument } from '../../stores/instrument';
import { useMeasures } from '../../stores/measures';
import { useSite } from '../../stores/site';
import { useTaking } from './taking';
import { useReading } from './useReading';

/** The reflectometer's trace under the run's line, over the same metres. */
const { evaluation } = defineProps<{ evaluation: RunSummary }>();
const emit = defineEmits<{ axis: [metres: number] }>();
use([LineChart, GridComponent, MarkLineComponent, SVGRenderer]);

const store = useSite();
const openSite = useOpenSite();
const evaluations = useEvaluation();
const own = useMeasures();
const colours = useChartColours();
const { take, problem } = useTaking();
const meter = useInstrument();
const { read } = useReading();
const refused = ref('');

const traces = computed(() =>
  Object.values(openSite.value.reading)
    .filter(
      (reading): reading is TraceReading =>
        reading.test === 'reflectometer' && reading.runId === evaluation.run.id && !reading.struck,
    )
    .sort((a, b) => Date.parse(b.at) - Date.parse(a.at)),
);
/** How many times larger echoes are drawn than the pulse: a joint sends back a hundredth of it. */
const times = ref(1);
const enlargements = [1, 5, 20].map((value) => ({ value, label: `× ${value}` }));
const view = shallowRef<TraceView | null>(null);
watch(
  () => evaluation,
  async (asked) => {
    const found = await evaluations.traceView(asked.run.id);
    if (evaluation !== asked) return;
    view.value = found;
    emit('axis', found?.axisM ?? 0);
  },
  { immediate: true },
);
const held = computed(() =>
  interlock(
    testDefinition('reflectometer'),
    evaluation.run,
    readingsByRun(openSite.value).get(evaluation.run.id) ?? {},
    touchLimits(openSite.value, evaluation.run, evaluation.camera),
  ),
);

/** An earlier trace that is laid under the latest one. */
const earlierId = ref<string | null>(null);
const earlierOnes = computed(() => [
  { value: '', label: 'nothing' },
  ...traces.value.slice(1).map(({ id, at }) => ({
    value: id,
    label: new Date(at).toLocaleString([], { dateStyle: 'short', timeStyle: 'short' }),
  })),
]);
const earlier = computed(() => {
  const reading = traces.value.find(({ id }) => id === earlierId.value);
  return reading && view.value ? comparedCurve(evaluation.run, reading, view.value.axisM) : [];
});

/** The marker, in metres. It starts on the far end. */
const markerM = ref<number | null>(null);
const marker = computed({
  get: () => markerM.value ?? view.value?.events.at(-1)?.atM ?? evaluation.lengthM,
  set: (metres) => (markerM.value = metres),
});
const velocityFactor = computed(() => runVelocityFactor(evaluation.run));

/** A known length makes of the marker's time another speed. */
function fitVelocity(knownM: number): void {
  const factor = knownM / marker.value;
  store.update(`Velocity factor of run ${evaluation.camera.number} fitted`, 'run', evaluation.run.id, (now) =>
    withVelocityScaled(now, factor, segmentVelocityFactor),
  );
  markerM.value = knownM;
}
const endedAtMarker = computed(() => withMeasuredEnd(evaluation.run, marker.value));
function takeLength(): void {
  const atM = marker.value;
  store.update(
    `Length of run ${evaluation.camera.number} from the reflectometer`,
    'run',
    evaluation.run.id,
    (now) => withMeasuredEnd(now, atM) ?? now,
  );
}
const knownAllowed = (value: number) =>
  value > 1 && value / marker.value > 0.7 && value / marker.value < 1.3
    ? undefined
    : 'within 30 % of the marker';

async function importFile(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  input.value = '';
  if (file) importText(await file.text());
}
function importText(text: string): void {
  if (held.value) return;
  const parsed = traceFromCsv(text);
  if (parsed.kind === 'refused') {
    refused.value = parsed.problems
      .map(({ path, value, allowed }) => `${path}: ${value.slice(0, 60)}; allowed: ${allowed}`)
      .join('. ');
    return;
  }
  refused.value = '';
  take(evaluation.run, evaluation.camera.number, { test: 'reflectometer', trace: keptTrace(parsed.value) });
}
function onPaste(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData('text') ?? '';
  if (/time_ns/i.test(text)) importText(text);
}

const option = computed(() => {
  const { dim, rule, copper, verdigris, ochre, madder, ink, mono, face } = colours.value;
  const shown = view.value!;
  const line = (
    name: string,
    data: number[][],
    color: string,
    width: number,
    type: 'solid' | 'dashed' = 'solid',
  ) => ({
    type: 'line' as const,
    name,
    data,
    symbol: 'none',
    lineStyle: { color, width, type },
    sampling: 'lttb' as const,
  });
  return {
    animation: false,
    textStyle: { fontFamily: face, color: dim },
    grid: { left: 88, right: 60, top: 10, bottom: 8 },
    xAxis: { type: 'value' as const, min: 0, max: shown.axisM, show: false },
    yAxis: {
      type: 'value' as const,
      min: (range: { min: number }) =>
        Math.min(-0.25, Math.max(-1, Math.floor(range.min * 4 * times.value) / 4)) / times.value,
      max: 1 / times.value,
      interval: 0.25 / times.value,
      splitLine: { lineStyle: { color: rule } },
      axisLabel: {
        color: dim,
        fontFamily: mono,
        fontSize: 10,
        formatter: (value: number) => value.toFixed(times.value > 4 ? 3 : 2),
      },
    },
    series: [
      ...(earlier.value.length ? [line('earlier', earlier.value, ochre, 1.2)] : []),
      {
        ...line('trace', shown.measured, ink, 1.5),
        markLine: {
          symbol: 'none',
          silent: true,
          label: { show: false },
          data: [
            ...shown.joints.map(({ atM }) => ({
              xAxis: atM,
              lineStyle: { color: dim, type: 'dotted' as const, width: 1 },
            })),
            ...shown.events.map(({ atM, isFarEnd }) => ({
              xAxis: atM,
              lineStyle: { color: isFarEnd ? dim : madder, type: 'solid' as const, width: 1 },
            })),
            { xAxis: marker.value, lineStyle: { color: copper, type: 'solid' as const, width: 2 } },
          ],
        },
      },
      line('model', shown.model, verdigris, 1.4, 'dashed'),
    ],
  };
});
const height = 230;
</script>

<template>
  <div class="trace" tabindex="-1" @paste="onPaste">
    <div class="row tools">
      <button
        v-if="meter.canRead.has('reflectometer')"
        type="button"
        class="btn"
        :disabled="held !== undefined || meter.busy !== null"
        @click="read(evaluation, 'reflectometer')"
      >
        {{ meter.busy === 'reflectometer' ? 'Reading…' : 'Take a trace' }}
      </button>
      <label class="btn small file" :class="{ off: held }"
        >Import a trace<input
          type="file"
          accept=".csv,text/csv,text/plain"
          aria-label="Import a trace"
          :disabled="held !== undefined"
          @change="importFile"
      /></label>
      <span v-if="held" class="dim">{{ held }}</span>
      <span v-else class="dim tiny">CSV with time_ns and volts; or paste it here</span>
      <span class="push" />
      <label v-if="view" class="row"
        >Echoes
        <PickField
          :value="times"
          :choices="enlargements"
          label="Height of echoes"
          @take="(next) => (times = next)"
      /></label>
      <label v-if="traces.length > 1" class="row"
        >Compare with
        <PickField
          :value="earlierId ?? ''"
          :choices="earlierOnes"
          label="Compare with"
          @take="(id) => (earlierId = id || null)"
      /></label>
    </div>
    <p v-if="refused || problem || meter.problem" class="caution" role="alert">
      {{ refused || problem || meter.problem }}
    </p>
    <p v-if="!view" class="empty">
      <strong>No trace of this run yet.</strong>Isolate the run, read the foreign voltage, and take a trace
      from the head end with the far end open. What stands on the line then shows here at its metre.
    </p>
    <template v-else>
      <div class="plot">
        <VChart
          :style="{ height: `${height}px` }"
          :option="option"
          :update-options="{ notMerge: true }"
          autoresize
        />
        <input
          v-model.number="marker"
          type="range"
          class="marker"
          min="0"
          :max="view.axisM"
          step="0.1"
          aria-label="Marker"
          :aria-valuetext="own.quantity(marker, 'm')"
        />
      </div>
      <div class="row legend tiny">
        <span><i class="k trace-k" /> trace</span
        ><span><i class="k model-k" /> the model’s trace of this line</span
        ><span v-if="earlier.length"><i class="k earlier-k" /> earlier</span
        ><span><i class="k joint-k" /> joint noted</span><span><i class="k marker-k" /> marker</span>
      </div>
      <div class="under">
        <table aria-label="Events">
          <thead>
            <tr>
              <th class="num">at</th>
              <th>what</th>
              <th class="num">ohms</th>
              <th class="num">Confidence</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="event in view.events"
              :key="event.atM"
              :class="{ fault: !event.isFarEnd }"
              @click="marker = event.atM"
            >
              <td class="num mono">
                <button
                  type="button"
                  class="plain"
                  :aria-label="`Marker to ${own.quantity(event.atM, 'm')}, ${eventWords(event)}`"
                >
                  {{ own.quantity(event.atM, 'm') }}
                </button>
              </td>
              <td>{{ eventWords(event) }}</td>
              <td class="num mono">{{ event.ohms === undefined ? '' : own.quantity(event.ohms, 'Ω') }}</td>
              <td class="num mono">{{ Math.round(event.confidence * 100) }} %</td>
            </tr>
            <tr v-if="view.events.length === 0">
              <td colspan="4" class="dim">
                No echo stands out: the end is matched, or the pulse does not reach it.
              </td>
            </tr>
          </tbody>
        </table>
        <div class="marker-tools">
          <p>
            <b class="mono">{{ own.quantity(marker, 'm') }}</b> at the marker
            <span class="dim mono"
              >{{ nsAtMetres(evaluation.run, marker).toFixed(0) }} ns there and back, velocity factor
              {{ velocityFactor.toFixed(3) }}</span
            >
          </p>
          <label class="row"
            >If it is known to be
            <QuantityField
              :value="null"
              unit="m"
              label="Known length"
              clear-after
              :allowed="knownAllowed"
              @take="fitVelocity"
            />
            fit the velocity factor</label
          >
          <button type="button" class="btn small" :disabled="!endedAtMarker" @click="takeLength">
            Take the marker as the run’s end
          </button>
        </div>
      </div>
    </template>
  </div>
</template>

<style scoped>
.trace {
  display: grid;
  gap: 8px;
  outline: none;
}
.tools {
  align-items: center;
  flex-wrap: wrap;
}
.tools label.row {
  align-items: center;
}
.file.off {
  color: var(--ink-3);
  cursor: default;
}
.plot {
  position: relative;
}
/* The range runs over the plot's own width, so that its thumb stands at the marker's metre. */
.marker {
  position: absolute;
  left: 80px;
  width: calc(100% - 132px);
  bottom: -12px;
  margin: 0;
  accent-color: var(--copper);
}
.legend {
  padding: 8px 0 0 88px;
  color: var(--ink-2);
  gap: 16px;
}
.k {
  display: inline-block;
  width: 16px;
  border-top: 2px solid var(--ink);
  vertical-align: middle;
  margin-right: 4px;
}
.model-k {
  border-top: 2px dashed var(--verdigris);
}
.earlier-k {
  border-top-color: var(--ochre);
}
.joint-k {
  border-top: 2px dotted var(--ink-2);
}
.marker-k {
  border-top-color: var(--copper);
}
.under {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(300px, 0.9fr);
  gap: 24px;
}
table {
  border-collapse: collapse;
  width: 100%;
  align-self: start;
}
th {
  text-align: left;
  font-weight: 500;
  font-size: 11px;
  color: var(--ink-2);
  padding: 3px 8px;
  border-bottom: 1px solid var(--rule-strong);
}
td {
  padding: 4px 8px;
  border-bottom: 1px solid var(--rule);
}
.num {
  text-align: right;
  white-space: nowrap;
}
.fault {
  color: var(--madder);
}
tbody tr {
  cursor: pointer;
}
.marker-tools {
  display: grid;
  gap: 8px;
  align-content: start;
  justify-items: start;
}
.marker-tools label {
  align-items: center;
}
.marker-tools :deep(.quantity) {
  width: 100px;
}
@media (max-width: 900px) {
  .under {
    grid-template-columns: 1fr;
  }
}
</style>
