<script setup lang="ts">
import { ScatterChart } from 'echarts/charts';
import { GridComponent, TooltipComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { computed, ref } from 'vue';
import VChart from 'vue-echarts';
import { pin, planName, tradeOffs, type CurvePoint, type TradeOff } from '#core/decide/plan';
import { aboutOf } from '#core/model/site';
import { formatQuantity, type Unit } from '#core/shared/units';
import { useChartColours } from '../../../charts/useChartColours';
import { useKeys } from '../../../keys/keys';
import { usePlanner } from '../../../stores/planner';
import { useSite } from '../../../stores/site';
import { useOpenSite } from '../../../stores/openSite';
import SearchBar from './SearchBar.vue';
import TotalsRow from './TotalsRow.vue';
import { idMark } from '../../../stores/idMark';
import { sayInPassing } from '../../../parts/sayInPassing';

/** What a little less dark time, more new cable or more to spare costs: proven plans as points, each to be looked at, pinned or taken up. */
use([ScatterChart, GridComponent, TooltipComponent, SVGRenderer]);
const store = useSite();
const openSite = useOpenSite();
const planner = usePlanner();
const colours = useChartColours();

const words: Record<TradeOff, { label: string; axis: string; unit: Unit; key: string }> = {
  dark: {
    label: 'Cost against camera downtime',
    axis: 'hours in which views are dark, in sum',
    unit: 'h',
    key: 'd',
  },
  recabled: { label: 'Cost against share recabled', axis: 'cameras on new cable, %', unit: '%', key: 'c' },
  spare: { label: 'Cost against spare margin', axis: 'least left over of any limit, %', unit: '%', key: 'm' },
};
const tradeOff = ref<TradeOff>(planner.curve?.tradeOff ?? 'dark');
const points = computed(() => (planner.curve?.tradeOff === tradeOff.value ? planner.curve.points : []));
const picked = ref(0);
const point = computed<CurvePoint | undefined>(
  () => points.value[Math.min(picked.value, points.value.length - 1)],
);
const currency = computed(() => aboutOf(openSite.value).currency);

function draw(wanted: TradeOff): void {
  tradeOff.value = wanted;
  picked.value = 0;
  void planner.findCurve(wanted);
}
function pinIt(): void {
  if (!point.value) return;
  const pinned = pin(openSite.value, point.value.plan, {
    by: store.signedBy('Planner'),
    at: new Date().toISOString(),
    mark: idMark,
  });
  if (pinned.kind === 'full')
    sayInPassing({ severity: 'warn', summary: 'Not pinned', detail: pinned.message, life: 6000 });
  else store.change(`Pin ${planName(openSite.value)}`, pinned.changes);
}
const step = (by: number) => {
  picked.value = Math.min(points.value.length - 1, Math.max(0, picked.value + by));
};
useKeys([
  ...tradeOffs.map((one) => ({
    keys: [words[one].key],
    label: words[one].label.toLowerCase(),
    group: 'Trade-off',
    run: () => draw(one),
  })),
  { keys: ['ArrowRight', 'h'], label: 'next point', group: 'Trade-off', run: () => step(1) },
  { keys: ['ArrowLeft', 'g'], label: 'point before', group: 'Trade-off', run: () => step(-1) },
  { keys: ['n'], label: 'pin this point', group: 'Trade-off', run: pinIt },
  {
    keys: ['Enter'],
    label: 'take it up as the plan in hand',
    group: 'Trade-off',
    run: () => {
      if (point.value) planner.adoptPlan(point.value.plan);
    },
  },
  { keys: ['Escape'], label: 'stop', group: 'Trade-off', run: planner.stop },
]);

const option = computed(() => {
  const { ink, dim, rule, copper, verdigris, sheet, mono, face } = colours.value;
  const axis = {
    scale: true,
    nameTextStyle: { color: dim },
    axisLine: { lineStyle: { color: rule } },
    splitLine: { lineStyle: { color: rule } },
    axisLabel: { color: dim, fontFamily: mono, fontSize: 10 },
  };
  return {
    animation: false,
    textStyle: { fontFamily: face, color: dim },
    grid: { left: 64, right: 24, top: 28, bottom: 44 },
    tooltip: {
      backgroundColor: sheet,
      borderColor: rule,
      textStyle: { color: ink, fontFamily: mono, fontSize: 11 },
      formatter: ({ data }: { data: { value: [number, number] } }) =>
        `${formatQuantity(data.value[0], words[tradeOff.value].unit, 1)}<br>${formatQuantity(data.value[1], 'money')} ${currency.value}`,
    },
    xAxis: {
      ...axis,
      type: 'value' as const,
      name: words[tradeOff.value].axis,
      nameLocation: 'middle' as const,
      nameGap: 28,
    },
    yAxis: { ...axis, type: 'value' as const, name: `cost, ${currency.value}` },
    series: [
      {
        type: 'scatter' as const,
        data: points.value.map(({ plan, at }, index) => {
          const isPicked = index === Math.min(picked.value, points.value.length - 1);
          return {
            value: [at, plan.totals.cost],
            symbol: isPicked ? 'diamond' : 'circle',
            symbolSize: isPicked ? 16 : 10,
            itemStyle: { color: isPicked ? copper : verdigris, borderColor: ink, borderWidth: 1 },
          };
        }),
      },
    ],
  };
});
const onClick = ({ dataIndex }: { dataIndex?: number }) => {
  if (dataIndex !== undefined) picked.value = dataIndex;
};
</script>

<template>
  <div class="curve">
    <div class="row acts">
      <button
        v-for="one in tradeOffs"
        :key="one"
        type="button"
        class="btn"
        :class="{ go: one === tradeOff && points.length === 0 }"
        :aria-pressed="one === tradeOff && points.length > 0"
        @click="draw(one)"
      >
        {{ words[one].label }} <kbd>{{ words[one].key }}</kbd>
      </button>
    </div>
    <SearchBar
      v-if="planner.busy === 'curve'"
      :label="`Proving the plans along the curve, ${points.length} so far`"
      :progress="null"
      @stop="planner.stop"
    />
    <p v-if="planner.trouble" class="stop" role="alert">{{ planner.trouble }}</p>
    <template v-if="points.length > 0">
      <VChart
        class="chart"
        :option="option"
        :update-options="{ notMerge: true }"
        autoresize
        role="img"
        :aria-label="`${words[tradeOff].label}: ${points.length} proven plans`"
        @click="onClick"
      />
      <div v-if="point" class="point">
        <TotalsRow
          :totals="point.plan.totals"
          :proof="point.plan.proof"
          :currency="currency"
          :years="point.plan.demands.years"
        />
        <div class="row acts">
          <span class="dim tiny"
            >Point {{ Math.min(picked, points.length - 1) + 1 }} of {{ points.length }}; arrows move
            along.</span
          ><span class="push" /><button type="button" class="btn" @click="pinIt">Pin <kbd>n</kbd></button
          ><button type="button" class="btn" @click="planner.adoptPlan(point.plan)">
            Use this plan <kbd>Enter</kbd>
          </button>
        </div>
      </div>
    </template>
    <div v-else-if="planner.busy !== 'curve'" class="empty">
      <strong>What does a little more cost?</strong>Each curve is a row of proven plans under what is demanded
      now: the cheapest with so little camera downtime, with so many cameras on new cable, or with so much to
      spare everywhere. Draw one; pin the points worth comparing.
    </div>
  </div>
</template>

<style scoped>
.curve {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.acts {
  gap: 8px;
  flex-wrap: wrap;
}
.acts [aria-pressed='true'] {
  border-color: var(--copper);
  background: var(--copper-3);
}
.chart {
  flex: 1;
  min-height: 260px;
}
.point {
  display: grid;
  gap: 6px;
  border-top: 1px solid var(--rule-strong);
  padding-top: 8px;
}
</style>
