<script setup lang="ts">
import { computed } from 'vue';
import type { RackFront, RackRow } from '#core/connect/rack';
import { formatQuantity } from '#core/shared/units';

/** A rack from the front, unit by unit, the first at the bottom. */
const { rack } = defineProps<{ rack: RackFront }>();
const unit = 24;
const height = computed(() => rack.units * unit);
const yOf = ({ to }: RackRow): number => (rack.units - to) * unit;
const units = computed(() => Array.from({ length: rack.units }, (_, k) => rack.units - k));
const words: Record<RackRow['standing'], string> = {
  noted: '',
  anywhere: 'unit not noted',
  planned: 'to come',
};
const saying = (row: RackRow): string =>
  [words[row.standing], row.goes ? 'goes' : '', row.watts > 0 ? formatQuantity(row.watts, 'W', 0) : '']
    .filter(Boolean)
    .join(', ');
</script>

<template>
  <svg
    class="front"
    :viewBox="`0 0 340 ${height + 2}`"
    :width="340"
    :height="height + 2"
    role="img"
    :aria-label="`${rack.name}, from the top: ${rack.rows.map(({ name, from, to }) => `${name} at ${from === to ? from : `${from} to ${to}`}`).join('; ') || 'empty'}`"
  >
    <g v-for="(n, k) in units" :key="n">
      <line x1="28" x2="339" :y1="k * unit + 1" :y2="k * unit + 1" class="rule" />
      <text x="20" :y="k * unit + 17" class="n" text-anchor="end">{{ n }}</text>
    </g>
    <rect x="28" y="1" width="311" :height="height" class="frame" />
    <g v-for="row in rack.rows" :key="row.id" :class="row.standing">
      <rect
        x="30"
        :y="yOf(row) + 2"
        width="307"
        :height="(row.to - row.from + 1) * unit - 2"
        class="gear"
        :class="{ goes: row.goes }"
      />
      <text x="40" :y="yOf(row) + 17">
        {{ row.name.length > 30 ? `${row.name.slice(0, 29)}…` : row.name }}
      </text>
      <text x="330" :y="yOf(row) + 17" class="say" text-anchor="end">{{ saying(row) }}</text>
    </g>
  </svg>
</template>

<style scoped>
.frame {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.rule {
  stroke: var(--rule);
}
.n {
  font-family: var(--mono);
  font-size: 10px;
  fill: var(--ink-2);
}
.gear {
  fill: var(--sheet);
  stroke: var(--ink-2);
}
.anywhere .gear {
  stroke-dasharray: 6 3;
}
.planned .gear {
  fill: var(--verdigris-3);
  stroke: var(--verdigris);
  stroke-dasharray: 3 3;
}
.gear.goes {
  stroke: var(--madder);
}
text {
  font-family: var(--face);
  font-size: 12px;
  fill: var(--ink);
}
.say {
  font-size: 10px;
  fill: var(--ink-2);
}
</style>
