<script setup lang="ts">
import { computed } from 'vue';
import type { TestHookUp } from '#core/model/site';

/** Where the meter goes and what is done with the far end, drawn as a small circuit. */
const { hookUp } = defineProps<{ hookUp: TestHookUp }>();

const [left, right, top, bottom] = [70, 250, 22, 42];
const meterX = computed(() => (hookUp.at === 'camera' ? right + 30 : left - 34));
const words = {
  'centre-shield': ['centre', 'shield'],
  'shield-earth': ['shield', 'earth'],
  'power-cores': ['core +', 'core −'],
  picture: ['centre', 'shield'],
  camera: ['centre', 'shield'],
  link: ['centre', 'shield'],
  pairs: ['conductor 1', 'conductor 2'],
} as const;
const names = computed(() => words[hookUp.on]);
const at = { 'head-end': 'at the head end', camera: 'at the camera', 'both-ends': 'at both ends' };
const far = { 'as-found': 'far end as found', open: 'far end open', shorted: 'far end shorted' };
const says = computed(() => `${names.value.join(' and ')}, ${at[hookUp.at]}, ${far[hookUp.far]}`);
</script>

<template>
  <svg width="330" height="66" viewBox="0 0 330 66" role="img" :aria-label="says" class="sketch">
    <line :x1="left" :x2="right" :y1="top" :y2="top" class="wire" />
    <line
      :x1="left"
      :x2="right"
      :y1="bottom"
      :y2="bottom"
      class="wire"
      :class="{ braid: hookUp.on !== 'power-cores' && hookUp.on !== 'pairs' }"
    />
    <text :x="(left + right) / 2" :y="top - 5" text-anchor="middle">{{ names[0] }}</text>
    <text v-if="hookUp.on !== 'shield-earth'" :x="(left + right) / 2" :y="bottom + 12" text-anchor="middle">
      {{ names[1] }}
    </text>
    <g v-if="hookUp.on === 'shield-earth'" class="wire">
      <line :x1="left - 12" :x2="left + 12" y1="58" y2="58" />
      <line :x1="left - 7" :x2="left + 7" y1="61" y2="61" />
      <line :x1="left - 3" :x2="left + 3" y1="64" y2="64" />
      <text :x="left + 18" y="62">earth</text>
    </g>
    <circle v-for="x in [left, right]" :key="x" :cx="x" :cy="top" r="2.5" class="end" />
    <circle v-for="x in [left, right]" :key="`b${x}`" :cx="x" :cy="bottom" r="2.5" class="end" />
    <line v-if="hookUp.far === 'shorted'" :x1="right" :x2="right" :y1="top" :y2="bottom" class="short" />
    <g v-if="hookUp.far === 'as-found' && hookUp.on !== 'camera'">
      <circle :cx="hookUp.at === 'camera' ? left - 22 : right + 22" cy="32" r="11" class="thing" />
      <text :x="hookUp.at === 'camera' ? left - 22 : right + 22" y="36" text-anchor="middle">
        {{ hookUp.at === 'camera' ? 'S' : 'C' }}
      </text>
    </g>
    <g>
      <rect :x="meterX - 17" y="20" width="34" height="24" rx="3" class="meter" />
      <path
        :d="`M${meterX - 9} 38 A 10 10 0 0 1 ${meterX + 9} 38 M${meterX} 38 L${meterX + 5} 28`"
        class="dial"
      />
      <line
        :x1="hookUp.at === 'camera' ? right : meterX + 17"
        :x2="hookUp.at === 'camera' ? meterX - 17 : left"
        :y1="hookUp.on === 'shield-earth' ? bottom : top"
        :y2="hookUp.on === 'shield-earth' ? bottom : top"
        class="lead"
      />
      <line
        v-if="hookUp.on !== 'shield-earth'"
        :x1="hookUp.at === 'camera' ? right : meterX + 17"
        :x2="hookUp.at === 'camera' ? meterX - 17 : left"
        :y1="bottom"
        :y2="bottom"
        class="lead"
      />
      <path v-else :d="`M${meterX} 44 V58 H${left - 12}`" class="lead" />
    </g>
    <text x="0" y="10">{{ hookUp.at === 'camera' ? 'supply end' : 'head end' }}</text>
    <text x="330" y="10" text-anchor="end">{{ hookUp.far === 'as-found' ? 'camera' : far[hookUp.far] }}</text>
  </svg>
</template>

<style scoped>
.sketch {
  display: block;
  flex: none;
  max-width: 100%;
}
.wire {
  stroke: var(--ink);
  stroke-width: 1.6;
  fill: none;
}
.wire.braid {
  stroke-dasharray: 3 2;
}
.wire text {
  stroke: none;
}
.end {
  fill: var(--sheet);
  stroke: var(--ink);
}
.short {
  stroke: var(--copper);
  stroke-width: 3;
}
.thing {
  fill: var(--sheet);
  stroke: var(--ink-2);
}
.meter {
  fill: var(--copper-3);
  stroke: var(--copper);
}
.dial {
  fill: none;
  stroke: var(--copper);
}
.lead {
  stroke: var(--copper);
  stroke-width: 1.6;
  fill: none;
}
</style>
