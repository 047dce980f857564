<script setup lang="ts">
import { computed } from 'vue';
import { signatureSize, type Signature } from '#core/model/site';

/** A signature as it was drawn. */
const { strokes, of } = defineProps<{ strokes: Signature; of: string }>();
const path = computed(() =>
  strokes
    .map((stroke) =>
      Array.from(
        { length: stroke.length / 2 },
        (_, k) => `${k === 0 ? 'M' : 'L'}${stroke[2 * k]} ${stroke[2 * k + 1]}`,
      ).join(''),
    )
    .join(''),
);
</script>

<template>
  <svg
    class="drawn"
    :viewBox="`0 0 ${signatureSize.width} ${signatureSize.height}`"
    role="img"
    :aria-label="`Signature of ${of}`"
  >
    <path :d="path" fill="none" stroke="currentColor" stroke-width="4" stroke-linecap="round" />
  </svg>
</template>

<style scoped>
.drawn {
  width: 120px;
  height: 40px;
  color: var(--ink);
}
</style>
