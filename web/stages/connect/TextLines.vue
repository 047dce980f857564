<script setup lang="ts">
/** Lines of text one under the other in a drawing, since text there does not break by itself. */
const { lines, x, y } = defineProps<{ lines: readonly string[]; x: number; y: number }>();
const lineHeight = 13;
</script>

<template>
  <g>
    <text v-for="(text, k) in lines" :key="k" :x="x" :y="y + k * lineHeight">{{ text }}</text>
  </g>
</template>
