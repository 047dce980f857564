<script setup lang="ts">
import { onMounted, useTemplateRef, watch } from 'vue';
import { toRgba, type Picture } from '#core/physics/picture';

/** A simulated picture on a canvas. */
const { picture, label } = defineProps<{ picture: Picture; label: string }>();
const canvas = useTemplateRef('canvas');

function paint(): void {
  const context = canvas.value?.getContext('2d');
  context?.putImageData(new ImageData(toRgba(picture), picture.width, picture.height), 0, 0);
}
onMounted(paint);
watch(() => picture, paint, { flush: 'post' });
</script>

<template>
  <canvas ref="canvas" :width="picture.width" :height="picture.height" role="img" :aria-label="label" />
</template>

<style scoped>
canvas {
  display: block;
  width: 100%;
  height: auto;
  border: 1px solid var(--rule-strong);
}
</style>
