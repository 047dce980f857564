<script setup lang="ts">
import { LineChart } from 'echarts/charts';
import { GridComponent, LegendComponent, TooltipComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { computed } from 'vue';
import VChart from 'vue-echarts';
import { quantityTestIds, type Reading, testDefinition } from '#core/model/site';
import { useChartColours } from '../../charts/useChartColours';

/** A run's history: each test that was read more than once, as a line over time. */
const { readings } = defineProps<{ readings: readonly Reading[] }>();
use([LineChart, GridComponent, LegendComponent, TooltipComponent, SVGRenderer]);
const colours = useChartColours();

const repeated = computed(() =>
  quantityTestIds.flatMap((test) => {
    const points = readings
      .flatMap((reading) =>
        reading.test === test && 'value' in reading && !reading.struck
          ? [[reading.at, reading.value] as const]
          : [],
      )
      .sort((a, b) => Date.parse(a[0]) - Date.parse(b[0]));
    return points.length > 1 ? [{ test, points }] : [];
  }),
);
const option = computed(() => {
  const { ink, dim, rule, copper, verdigris, ochre, madder, sheet, mono, face } = colours.value;
  return {
    animation: false,
    color: [copper, verdigris, ochre, madder, ink],
    textStyle: { fontFamily: face, color: dim },
    grid: { left: 54, right: 20, top: 34, bottom: 26 },
    legend: { top: 0, left: 54, textStyle: { color: dim }, icon: 'roundRect', itemHeight: 3 },
    tooltip: {
      trigger: 'axis' as const,
      backgroundColor: sheet,
      borderColor: rule,
      textStyle: { color: ink, fontFamily: mono, fontSize: 11 },
    },
    xAxis: {
      type: 'time' as const,
      axisLine: { lineStyle: { color: rule } },
      axisLabel: { color: dim, fontFamily: mono, fontSize: 10, hideOverlap: true },
    },
    yAxis: {
      type: 'value' as const,
      scale: true,
      splitLine: { lineStyle: { color: rule } },
      axisLabel: { color: dim, fontFamily: mono, fontSize: 10 },
    },
    series: repeated.value.map(({ test, points }) => {
      const { label, asks } = testDefinition(test);
      return {
        type: 'line' as const,
        name: `${label}, ${asks.unit}`,
        data: points.map((point) => [...point]),
        symbolSize: 7,
        lineStyle: { width: 1.6 },
      };
    }),
  };
});
</script>

<template>
  <VChart
    v-if="repeated.length > 0"
    class="chart"
    :option="option"
    :update-options="{ notMerge: true }"
    autoresize
  />
  <p v-else class="dim">Read a test again another day, and its line over time shows here.</p>
</template>

<style scoped>
.chart {
  height: 190px;
}
</style>
