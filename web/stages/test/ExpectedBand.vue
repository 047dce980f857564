<script setup lang="ts">
import { computed } from 'vue';
import { formatFigure, type Unit } from '#core/shared/units';
import type { ExpectedReading } from '#core/test/diagnosis';

/** Where a figure is expected, as a band, with what was read as a mark in it or beside it. */
const { expected, read, unit } = defineProps<{
  expected: ExpectedReading;
  read: number | null;
  unit: Unit;
}>();
const [width, height, edge] = [72, 10, 4];

const isWithin = computed(() => read !== null && read >= expected.low && read <= expected.high);
/** A scale in ratios, a little wider than the band and what was read: figures that span decades stay readable. */
const scale = computed(() => {
  const least = 1e-3;
  const low = Math.log(Math.max(least, Math.min(expected.low, read ?? expected.low)));
  const high = Math.log(Math.max(least, expected.high, read ?? expected.high));
  const room = Math.max(0.02, 0.18 * (high - low));
  return (value: number): number =>
    edge + ((Math.log(Math.max(least, value)) - low + room) / (high - low + 2 * room)) * (width - 2 * edge);
});
const digits = (value: number): number => (value >= 100 ? 0 : value >= 1 ? 1 : 2);
const figure = (value: number): string => formatFigure(value, unit, digits(value));
const words = computed(() => `${figure(expected.low)} to ${figure(expected.high)}`);
const says = computed(
  () =>
    `Expected ${words.value} ${unit}, nine times in ten${read === null ? '' : isWithin.value ? '; what was read lies within' : '; what was read lies outside'}`,
);
</script>

<template>
  <span class="band" :data-within="read === null ? 'unread' : isWithin ? 'yes' : 'no'" :title="says">
    <span>{{ words }}</span>
    <svg :width="width" :height="height" role="img" :aria-label="says">
      <line x1="0" :x2="width" :y1="height / 2" :y2="height / 2" class="axis" />
      <rect
        :x="scale(expected.low)"
        y="2"
        :width="Math.max(2, scale(expected.high) - scale(expected.low))"
        :height="height - 4"
        class="held"
      />
      <line
        :x1="scale(expected.middle)"
        :x2="scale(expected.middle)"
        y1="1"
        :y2="height - 1"
        class="middle"
      />
      <path
        v-if="read !== null"
        :d="`M${scale(read)} ${height}l-3.5 -4.5l3.5 -4.5l3.5 4.5z`"
        :class="['read', { outside: !isWithin }]"
      />
    </svg>
  </span>
</template>

<style scoped>
.band {
  display: inline-flex;
  align-items: center;
  gap: 8px;
}
.axis {
  stroke: var(--rule-strong);
}
.held {
  fill: var(--verdigris);
  opacity: 0.4;
}
.middle {
  stroke: var(--ink-2);
}
.read {
  fill: var(--ink);
}
.read.outside {
  fill: var(--madder);
}
</style>
