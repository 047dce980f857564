<script setup lang="ts">
import { computed } from 'vue';
import type { PhotoMark, Spot } from '#core/model/site';

/** Arrows and words over a photo, as large whatever its pixels. It shows; it changes nothing. */
const { marks, widthPx, heightPx } = defineProps<{
  marks: readonly PhotoMark[];
  widthPx: number;
  heightPx: number;
}>();
/** As a share of the longer side, so that a mark on a phone's photo is read on a thumbnail too. */
const unit = computed(() => Math.max(widthPx, heightPx) / 100);

/** The two barbs of an arrow's head. */
function head({ from, to }: { from: Spot; to: Spot }): string {
  const angle = Math.atan2(to.y - from.y, to.x - from.x);
  const barb = (turn: number): string => {
    const at = angle + Math.PI + turn;
    return `${to.x + 4 * unit.value * Math.cos(at)} ${to.y + 4 * unit.value * Math.sin(at)}`;
  };
  return `M${barb(0.45)}L${to.x} ${to.y}L${barb(-0.45)}`;
}
</script>

<template>
  <g class="marks" :stroke-width="unit" :font-size="3.4 * unit">
    <template v-for="(mark, index) in marks" :key="index">
      <g v-if="mark.kind === 'arrow'" fill="none">
        <path
          v-for="edge in ['under', 'over']"
          :key="edge"
          :class="edge"
          :d="`M${mark.from.x} ${mark.from.y}L${mark.to.x} ${mark.to.y}${head(mark)}`"
          :stroke-width="edge === 'under' ? 1.9 * unit : unit"
        />
      </g>
      <text v-else :x="mark.at.x" :y="mark.at.y" :stroke-width="0.9 * unit">{{ mark.words }}</text>
    </template>
  </g>
</template>

<style scoped>
path {
  stroke-linecap: round;
  stroke-linejoin: round;
}
.under {
  stroke: #fff;
}
.over {
  stroke: #b3261e;
}
text {
  fill: #b3261e;
  stroke: #fff;
  paint-order: stroke;
  font-family: var(--face);
  font-size: inherit;
  font-weight: 700;
}
</style>
