<script setup lang="ts">
import { ref } from 'vue';
import type { Photo, Spot } from '#core/model/site';
import { pictureAddress } from '../../stores/api';

/** A photo in which the two ends of a one-metre target are pressed, one after the other. */
const { photo } = defineProps<{ photo: Photo; alt: string }>();
const emit = defineEmits<{ mark: [metre: NonNullable<Photo['metre']>] }>();
const first = ref<Spot | null>(null);

/** Where it was pressed, in the photo’s own pixels. */
function spotOf(event: PointerEvent): Spot {
  const box = (event.currentTarget as Element).getBoundingClientRect();
  return {
    x: Math.round(((event.clientX - box.left) / box.width) * photo.widthPx),
    y: Math.round(((event.clientY - box.top) / box.height) * photo.heightPx),
  };
}
function press(event: PointerEvent): void {
  const spot = spotOf(event);
  if (!first.value) {
    first.value = spot;
    return;
  }
  const a = first.value;
  first.value = null;
  if (a.x !== spot.x || a.y !== spot.y) emit('mark', { a, b: spot });
}
</script>

<template>
  <div>
    <div
      class="frame"
      :style="{ aspectRatio: `${photo.widthPx} / ${photo.heightPx}` }"
      data-metre
      @pointerdown="press"
    >
      <img :src="pictureAddress(photo.fileId)" :alt="alt" draggable="false" />
      <svg :viewBox="`0 0 ${photo.widthPx} ${photo.heightPx}`" aria-hidden="true">
        <line
          v-if="photo.metre && !first"
          :x1="photo.metre.a.x"
          :y1="photo.metre.a.y"
          :x2="photo.metre.b.x"
          :y2="photo.metre.b.y"
          vector-effect="non-scaling-stroke"
        />
        <circle v-if="first" :cx="first.x" :cy="first.y" :r="photo.widthPx / 100" />
      </svg>
    </div>
    <p class="dim tiny">
      {{
        first
          ? 'Now the other end of the metre.'
          : photo.metre
            ? 'A metre is marked; press two ends to mark it anew.'
            : 'Press the two ends of a one-metre target in the picture.'
      }}
    </p>
  </div>
</template>

<style scoped>
.frame {
  position: relative;
  max-height: 240px;
  margin: 0 auto;
  cursor: crosshair;
  touch-action: none;
}
img,
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
line {
  stroke: var(--copper);
  stroke-width: 3;
}
circle {
  fill: var(--copper);
}
</style>
