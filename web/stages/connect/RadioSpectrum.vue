<script setup lang="ts">
import { LineChart } from 'echarts/charts';
import { GridComponent, LegendComponent, MarkAreaComponent, TooltipComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { computed } from 'vue';
import VChart from 'vue-echarts';
import type { Band, HeardBar, RadioPicture } from '#core/connect/radio';
import { useChartColours } from '../../charts/useChartColours';

/** Who is on the air at both ends of a path, by megahertz and level, with the best channel marked. */
const { picture, band } = defineProps<{ picture: RadioPicture; band: Band }>();
use([LineChart, GridComponent, LegendComponent, MarkAreaComponent, TooltipComponent, SVGRenderer]);
const colours = useChartColours();

const floorDbm = -100;
const edges: Record<Band, [number, number]> = { '2.4': [2400, 2484], '5': [5150, 5875] };

/** Every access point as a block from the floor to its level. A gap stands between two of them. */
const blocks = (bars: readonly HeardBar[] | null): (number | null)[][] =>
  (bars ?? [])
    .filter((bar) => bar.band === band)
    .flatMap(({ fromMHz, toMHz, levelDbm }) => [
      [fromMHz, floorDbm],
      [fromMHz, levelDbm],
      [toMHz, levelDbm],
      [toMHz, floorDbm],
      [toMHz, null],
    ]);
const best = computed(() => picture.channels.find((channel) => channel.band === band && channel.isOwn));
const said = (bars: readonly HeardBar[] | null): string =>
  bars === null
    ? 'nobody has listened'
    : bars
        .filter((bar) => bar.band === band)
        .map(({ channel, levelDbm }) => `channel ${channel} at ${levelDbm} dBm`)
        .join(', ') || 'nobody heard';
const label = computed(
  () =>
    `${band} GHz. ${picture.fromName}: ${said(picture.heard.near)}. ${picture.toName}: ${said(picture.heard.far)}.`,
);

const option = computed(() => {
  const { ink, dim, rule, copper, verdigris, sheet, mono, face } = colours.value;
  const [min, max] = edges[band];
  const axis = {
    nameTextStyle: { color: dim },
    axisLine: { lineStyle: { color: rule } },
    splitLine: { lineStyle: { color: rule } },
    axisLabel: { color: dim, fontFamily: mono, fontSize: 10 },
  };
  const series = (name: string, bars: readonly HeardBar[] | null, colour: string, dash: number[]) => ({
    name,
    type: 'line' as const,
    data: blocks(bars),
    symbol: 'none',
    connectNulls: false,
    lineStyle: { color: colour, width: 1.5, type: dash },
    itemStyle: { color: colour },
    areaStyle: { color: colour, opacity: 0.12, origin: 'start' as const },
  });
  const marked = best.value
    ? {
        markArea: {
          silent: true,
          itemStyle: { color: ink, opacity: 0.08 },
          label: {
            show: true,
            color: ink,
            formatter: `best: ${best.value.channel}`,
            fontFamily: mono,
            fontSize: 10,
          },
          data: [[{ xAxis: best.value.frequencyMHz - 10 }, { xAxis: best.value.frequencyMHz + 10 }]],
        },
      }
    : {};
  return {
    animation: false,
    textStyle: { fontFamily: face, color: dim },
    grid: { left: 56, right: 12, top: 40, bottom: 40 },
    legend: { top: 0, textStyle: { color: ink, fontSize: 11 } },
    tooltip: {
      trigger: 'item' as const,
      backgroundColor: sheet,
      borderColor: rule,
      textStyle: { color: ink, fontFamily: mono, fontSize: 11 },
    },
    xAxis: {
      ...axis,
      type: 'value' as const,
      min,
      max,
      name: 'MHz',
      nameLocation: 'middle' as const,
      nameGap: 24,
    },
    yAxis: { ...axis, type: 'value' as const, min: floorDbm, max: -30, name: 'dBm' },
    series: [
      { ...series(picture.fromName, picture.heard.near, copper, []), ...marked },
      series(picture.toName, picture.heard.far, verdigris, [5, 3]),
    ],
  };
});
</script>

<template>
  <VChart class="spectrum" :option="option" autoresize role="img" :aria-label="label" />
</template>

<style scoped>
.spectrum {
  height: 260px;
}
</style>
