<script setup lang="ts">
import { computed } from 'vue';
import type { RoundOnDrawing } from '#core/test/round';
import { counted } from '#core/shared/labels';
import { useOpenSite } from '../../stores/openSite';
import { pictureAddress } from '../../stores/api';

/** The stops of a round on a drawing, in their turn. The list beside it says the same in words. */
const { round } = defineProps<{ round: RoundOnDrawing }>();
const openSite = useOpenSite();
/** Marks keep their size whatever the drawing's. */
const unit = computed(() => round.drawing.widthPx / 420);
const way = computed(() => round.spots.map(({ at }) => `${at.x},${at.y}`).join(' '));
const title = computed(
  () =>
    `The round on ${round.drawing.name}: ${round.spots
      .map(({ number, stop }) => `${number} ${openSite.value.place[stop.placeId]!.name}`)
      .join(', ')}`,
);
</script>

<template>
  <figure>
    <svg :viewBox="`0 0 ${round.drawing.widthPx} ${round.drawing.heightPx}`" role="img" :aria-label="title">
      <image
        :href="pictureAddress(round.drawing.fileId)"
        :width="round.drawing.widthPx"
        :height="round.drawing.heightPx"
      />
      <polyline :points="way" class="way" :stroke-width="1.6 * unit" />
      <g v-for="{ number, at } in round.spots" :key="number">
        <circle :cx="at.x" :cy="at.y" :r="8.5 * unit" class="stop" :stroke-width="1.4 * unit" />
        <text :x="at.x" :y="at.y" :style="{ fontSize: `${10.5 * unit}px` }" class="number">{{ number }}</text>
      </g>
    </svg>
    <figcaption v-if="round.elsewhere > 0" class="dim tiny">
      {{ counted(round.elsewhere, 'stop') }} not on this drawing.
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
svg {
  width: 100%;
  height: auto;
  max-height: 420px;
  border: 1px solid var(--rule);
  background: var(--sheet);
}
.way {
  fill: none;
  stroke: var(--copper);
  stroke-dasharray: 6 5;
  stroke-linejoin: round;
}
.stop {
  fill: var(--sheet);
  stroke: var(--copper);
}
.number {
  text-anchor: middle;
  dominant-baseline: central;
  fill: var(--ink);
  font-family: var(--mono);
  font-weight: 600;
}
</style>
