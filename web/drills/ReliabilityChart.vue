<script setup lang="ts">
import { LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, TooltipComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { computed } from 'vue';
import VChart from 'vue-echarts';
import { useChartColours } from '../charts/useChartColours';

/** How often it was so when somebody said so much: on the line whoever knows what he knows. */
use([LineChart, ScatterChart, GridComponent, TooltipComponent, SVGRenderer]);
const { points } = defineProps<{ points: readonly { said: number; was: number; count: number }[] }>();
const colours = useChartColours();
const option = computed(() => ({
  animation: false,
  grid: { left: 44, right: 12, top: 10, bottom: 36 },
  textStyle: { color: colours.value.ink, fontFamily: colours.value.face },
  xAxis: {
    type: 'value' as const,
    name: 'said, %',
    nameLocation: 'middle' as const,
    nameGap: 22,
    min: 0,
    max: 100,
    splitLine: { lineStyle: { color: colours.value.rule } },
  },
  yAxis: {
    type: 'value' as const,
    name: 'was so, %',
    nameLocation: 'middle' as const,
    nameGap: 30,
    min: 0,
    max: 100,
    splitLine: { lineStyle: { color: colours.value.rule } },
  },
  series: [
    {
      type: 'line' as const,
      data: [
        [0, 0],
        [100, 100],
      ],
      symbol: 'none',
      lineStyle: { color: colours.value.dim, type: 'dashed' as const },
      silent: true,
    },
    {
      type: 'scatter' as const,
      data: points.map(({ said, was, count }) => [100 * said, 100 * was, count]),
      symbolSize: ([, , count]: number[]) => 6 + 3 * Math.sqrt(count ?? 1),
      itemStyle: { color: colours.value.copper },
    },
  ],
}));
const words = computed(() =>
  points
    .map(
      ({ said, was, count }) =>
        `When ${Math.round(100 * said)} % was said it was so ${Math.round(100 * was)} % of ${count} times.`,
    )
    .join(' '),
);
/** The chances of more than a half that were said most: where to be too sure costs most. */
const usual = computed(
  () => points.filter(({ said }) => said > 0.5).sort((a, b) => b.count - a.count || b.said - a.said)[0],
);
</script>

<template>
  <figure>
    <VChart class="chart" :option="option" autoresize role="img" :aria-label="words" />
    <figcaption v-if="usual" class="tiny">
      When you say {{ Math.round(100 * usual.said) }} %, you are right {{ Math.round(100 * usual.was) }} % ({{
        usual.count === 1 ? 'said once' : `said ${usual.count} times`
      }}).
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  flex: 1;
  min-width: 260px;
  max-width: 340px;
  margin: 0;
}
.chart {
  width: 100%;
  max-width: 340px;
  height: 240px;
}
</style>
