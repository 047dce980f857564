<script setup lang="ts">
import type { LineShape } from '#core/survey/lineShape';

defineProps<{ shape: LineShape; y: number }>();
</script>

<template>
  <g>
    <template v-for="(stretch, index) in shape.stretches" :key="index">
      <line
        :x1="stretch.x1"
        :x2="stretch.x2"
        :y1="y"
        :y2="y"
        :stroke="`var(--${stretch.stroke.colour})`"
        :stroke-width="stretch.stroke.weight"
        :stroke-dasharray="stretch.stroke.dashes"
      />
      <line
        v-if="stretch.hasLeg"
        :x1="stretch.x1"
        :x2="stretch.x2"
        :y1="y + stretch.stroke.weight / 2 + 2"
        :y2="y + stretch.stroke.weight / 2 + 2"
        stroke="var(--ink)"
        stroke-width="0.8"
      />
    </template>
    <line
      v-for="(joint, index) in shape.joints"
      :key="`joint${index}`"
      :x1="joint.x"
      :x2="joint.x"
      :y1="y - 8"
      :y2="y + 8"
      stroke="var(--ink)"
      stroke-width="1.5"
    >
      <title>{{ joint.kind }} joint</title>
    </line>
  </g>
</template>
