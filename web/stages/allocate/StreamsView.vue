<script setup lang="ts">
import { BarChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { computed } from 'vue';
import VChart from 'vue-echarts';
import { recordingOf, type Recording } from '#core/allocate/recorder';
import {
  aboutOf,
  activities,
  codecs,
  allocationSettingsOf,
  setAllocationSettings,
  type Keeping,
  type Recorder,
  withFields,
  type Stream,
  type StreamSettings,
} from '#core/model/site';
import { activityWords, codecWords, keepingWords, rateWords, wayInWords } from '#core/allocate/stream';
import { settingsOf } from '#core/model/streams';
import { formatQuantity } from '#core/shared/units';
import { useChartColours } from '../../charts/useChartColours';
import LoadBar from '../../parts/LoadBar.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { fitting } from '../../parts/within';
import { useOpenEvaluation, useOpenSite } from '../../stores/openSite';
import { useSelection } from '../../stores/selection';
import { useSite } from '../../stores/site';

/** What each camera sends and for how long it is kept, against the rate and the disks of its recorder. */
use([BarChart, GridComponent, MarkLineComponent, TooltipComponent, SVGRenderer]);
const store = useSite();
const openSite = useOpenSite();
const summary = useOpenEvaluation();
const selection = useSelection();
const colours = useChartColours();

const wishes = computed(() => allocationSettingsOf(openSite.value));
const siteStreams = computed(() => settingsOf(undefined, wishes.value.streams));
const currency = computed(() => aboutOf(openSite.value).currency);
const recorders = computed(() =>
  summary.value.allocation.recorders.map((state) => ({
    state,
    recording: recordingOf(
      openSite.value,
      state.recorder,
      summary.value.allocation.occupied[state.recorder.id] ?? [],
    ),
  })),
);
const cameraOf = (id: string) => openSite.value.camera[id]!;
const current = computed(() => selection.current?.camera);
const own = computed<Stream>(
  () => (current.value && openSite.value.stream[current.value.id]) ?? { id: current.value?.id ?? '' },
);
const settings = computed(() => settingsOf(own.value, wishes.value.streams));
const row = computed(() =>
  recorders.value
    .flatMap(({ recording }) => recording.streaming)
    .find(({ cameraId }) => cameraId === current.value?.id),
);

const codecChoices = codecs.map((value) => ({ value, label: codecWords[value] }));
const activityChoices = activities.map((value) => ({ value, label: activityWords[value] }));
const keepingChoices = (['always', 'motion', 'hours'] as const).map((value) => ({
  value,
  label: keepingWords[value],
}));
const keepingOf = (kind: Keeping['kind']): Keeping =>
  kind === 'always' ? { kind } : kind === 'motion' ? { kind, sharePercent: 30 } : { kind, hours: 12 };

const setSite = (what: string, fields: StreamSettings) =>
  store.change(`${what} of all cameras`, [
    setAllocationSettings(openSite.value, { streams: { ...wishes.value.streams, ...fields } }),
  ]);
function setOwn(what: string, fields: { [K in keyof Stream]?: Stream[K] | undefined }): void {
  if (!current.value) return;
  const set = { ...withFields(own.value, fields), id: current.value.id };
  store.change(`${what} of camera ${current.value.number}`, [{ kind: 'stream', id: current.value.id, set }]);
}
const asTheSite = () =>
  current.value &&
  store.change(`Streams of camera ${current.value.number} as the site’s`, [
    { kind: 'stream', id: current.value.id, remove: true },
  ]);

/** Bars of days kept, with what is asked for as a mark; those below it stand out. */
function chart({ storage }: Recording) {
  const { ink, dim, rule, verdigris, madder, mono, face, sheet } = colours.value;
  const all = storage.perCamera
    .map((one) => ({ ...one, number: cameraOf(one.cameraId).number }))
    .sort((a, b) => a.number - b.number);
  const axis = {
    axisLine: { lineStyle: { color: rule } },
    axisLabel: { color: dim, fontFamily: mono, fontSize: 10 },
    nameTextStyle: { color: dim },
  };
  return {
    animation: false,
    textStyle: { fontFamily: face, color: dim },
    grid: { left: 40, right: 10, top: 24, bottom: 24 },
    tooltip: {
      backgroundColor: sheet,
      borderColor: rule,
      textStyle: { color: ink, fontFamily: mono, fontSize: 11 },
      formatter: ({ dataIndex }: { dataIndex: number }) =>
        `camera ${all[dataIndex]!.number}<br>${formatQuantity(all[dataIndex]!.days, '', 0)} of ${all[dataIndex]!.wantDays} days<br>${formatQuantity(all[dataIndex]!.gigabytesADay, '', 0)} GB a day`,
    },
    xAxis: {
      ...axis,
      type: 'category' as const,
      data: all.map(({ number }) => String(number)),
      axisTick: { show: false },
    },
    yAxis: { ...axis, type: 'value' as const, name: 'days kept', splitLine: { lineStyle: { color: rule } } },
    series: [
      {
        type: 'bar' as const,
        barMaxWidth: 22,
        data: all.map(({ days, wantDays }) => ({
          value: days,
          itemStyle: { color: days + 0.01 < wantDays ? madder : verdigris, decal: null },
        })),
      },
      {
        type: 'bar' as const,
        barMaxWidth: 22,
        barGap: '-100%',
        z: 0,
        data: all.map(({ wantDays }) => ({
          value: wantDays,
          itemStyle: {
            color: 'transparent',
            borderColor: ink,
            borderWidth: 1,
            borderType: 'dashed' as const,
          },
        })),
      },
    ],
  };
}
const says = ({ name, disks = [] }: Recorder, { storage }: Recording): string =>
  disks.length === 0
    ? `No disks are noted in ${name}; its cameras want ${formatQuantity(storage.wantTb, '', 1)} TB. Note its disks in Survey, head end.`
    : storage.shortTb > 0
      ? `${formatQuantity(storage.shortTb, '', 1)} TB short: ${formatQuantity(storage.wantTb, '', 1)} TB are wanted, ${formatQuantity(storage.haveTb, '', 1)} TB can be written to.`
      : `${formatQuantity(storage.wantTb, '', 1)} TB of ${formatQuantity(storage.haveTb, '', 1)} TB are wanted.`;
</script>

<template>
  <div class="streams">
    <div class="row sets" aria-label="Streams of all cameras" role="group">
      <b>All cameras</b>
      <span
        ><QuantityField
          :value="siteStreams.framesPerSecond"
          unit=""
          label="Frames a second, all cameras"
          :allowed="fitting('stream', 'framesPerSecond')"
          @take="(framesPerSecond) => setSite('Frames', { framesPerSecond })"
        />{{ ' ' }}<span class="dim tiny">frames/s</span></span
      >
      <PickField
        :value="siteStreams.codec"
        :choices="codecChoices"
        label="Codec, all cameras"
        @take="(codec) => setSite('Codec', { codec })"
      />
      <PickField
        :value="siteStreams.activity"
        :choices="activityChoices"
        label="How busy, all cameras"
        @take="(activity) => setSite('Activity', { activity })"
      />
      <PickField
        :value="siteStreams.keeping.kind"
        :choices="keepingChoices"
        label="Recorded, all cameras"
        @take="(kind) => setSite('Recording', { keeping: keepingOf(kind) })"
      />
      <span
        ><QuantityField
          :value="siteStreams.keepDays"
          unit=""
          label="Days, all cameras"
          :allowed="fitting('stream', 'keepDays')"
          @take="(keepDays) => setSite('Days', { keepDays })"
        />{{ ' ' }}<span class="dim tiny">days</span></span
      >
    </div>
    <div v-if="current" class="row sets" :aria-label="`Streams of camera ${current.number}`" role="group">
      <b>{{ current.number }} {{ current.name }}</b>
      <span
        ><QuantityField
          :value="settings.framesPerSecond"
          unit=""
          label="Frames a second"
          :allowed="fitting('stream', 'framesPerSecond')"
          @take="(framesPerSecond) => setOwn('Frames', { framesPerSecond })"
        />{{ ' ' }}<span class="dim tiny">frames/s</span></span
      >
      <PickField
        :value="settings.codec"
        :choices="codecChoices"
        label="Codec"
        @take="(codec) => setOwn('Codec', { codec })"
      />
      <PickField
        :value="settings.activity"
        :choices="activityChoices"
        label="How busy"
        @take="(activity) => setOwn('Activity', { activity })"
      />
      <PickField
        :value="settings.keeping.kind"
        :choices="keepingChoices"
        label="Recorded"
        @take="(kind) => setOwn('Recording', { keeping: keepingOf(kind) })"
      />
      <span v-if="settings.keeping.kind === 'motion'"
        ><QuantityField
          :value="settings.keeping.sharePercent"
          unit="%"
          label="Share of the day with motion"
          :allowed="fitting('stream', 'keeping[motion].sharePercent')"
          @take="(sharePercent) => setOwn('Recording', { keeping: { kind: 'motion', sharePercent } })"
      /></span>
      <span v-if="settings.keeping.kind === 'hours'"
        ><QuantityField
          :value="settings.keeping.hours"
          unit="h"
          label="Hours of the day"
          :allowed="fitting('stream', 'keeping[hours].hours')"
          @take="(hours) => setOwn('Recording', { keeping: { kind: 'hours', hours } })"
      /></span>
      <span
        ><QuantityField
          :value="settings.keepDays"
          unit=""
          label="Days"
          :allowed="fitting('stream', 'keepDays')"
          @take="(keepDays) => setOwn('Days', { keepDays })"
        />{{ ' ' }}<span class="dim tiny">days</span></span
      >
      <span
        ><QuantityField
          :value="own.mainMbps ?? null"
          unit="Mb/s"
          label="Main stream by its data sheet"
          :placeholder="row ? `${formatQuantity(row.mbps, '', 1)}` : ''"
          clearable
          :allowed="fitting('stream', 'mainMbps')"
          @take="(mainMbps) => setOwn('Main stream', { mainMbps })"
          @clear="setOwn('Main stream', { mainMbps: undefined })"
      /></span>
      <span
        ><QuantityField
          :value="own.subMbps ?? null"
          unit="Mb/s"
          label="Sub stream"
          placeholder="no sub"
          clearable
          :allowed="fitting('stream', 'subMbps')"
          @take="(subMbps) => setOwn('Sub stream', { subMbps })"
          @clear="setOwn('Sub stream', { subMbps: undefined })"
      /></span>
      <span v-if="row" class="dim tiny">main {{ rateWords[row.from] }}</span>
      <button v-if="openSite.stream[current.id]" type="button" class="btn small" @click="asTheSite">
        As the site
      </button>
    </div>
    <section
      v-for="{ state, recording } in recorders"
      :key="state.recorder.id"
      class="recorder"
      :data-storage="state.recorder.id"
    >
      <div class="row">
        <h2>{{ state.recorder.name }}</h2>
        <span class="push" /><span v-for="load in state.loads" :key="load.label" class="tiny dim"
          >{{ load.label }} <LoadBar :load="load" :digits="load.unit === '' ? 0 : 1"
        /></span>
      </div>
      <p :class="{ short: recording.storage.shortTb > 0 }">{{ says(state.recorder, recording) }}</p>
      <ul v-if="recording.ways.length > 0" class="tiny ways" aria-label="Ways to close it">
        <li>Any one of these closes it:</li>
        <li v-for="way in recording.ways" :key="way.kind">{{ wayInWords(way, currency) }}</li>
      </ul>
      <VChart
        v-if="recording.streaming.length > 0"
        class="chart"
        :option="chart(recording)"
        :update-options="{ notMerge: true }"
        autoresize
        role="img"
        :aria-label="`Days kept by camera on ${state.recorder.name}`"
      />
    </section>
    <p class="tiny dim">
      Rates are typical until a data sheet or a reading says otherwise. How long pictures may be kept is a
      matter of law and of what the people filmed are told.
    </p>
  </div>
</template>

<style scoped>
.streams {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.streams > * {
  flex: none;
}
.sets {
  gap: 8px 12px;
  flex-wrap: wrap;
}
.sets b {
  min-width: 110px;
}
.sets :deep(.quantity) {
  width: 92px;
}
.recorder {
  border-top: 1px solid var(--rule-strong);
  padding-top: 6px;
}
.short {
  color: var(--madder);
}
.chart {
  height: 150px;
}
.ways {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}
.ways li:first-child {
  color: var(--ink-2);
}
</style>
