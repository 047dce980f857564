<script setup lang="ts">
import type { SlotNeed } from '#core/model/slotRules';
import { useElementSize } from '@vueuse/core';
import { computed, useTemplateRef } from 'vue';
import type { RecorderState } from '#core/allocate/recorder';
import { useOpenSite } from '../../stores/openSite';
import { stripOf } from './leads';

/** Before and after as one strip: today’s inputs above, the slots below, and the leads between them. */
const { state, needs, here } = defineProps<{
  state: RecorderState;
  needs: Readonly<Record<string, SlotNeed>>;
  here: string | null;
}>();
const emit = defineEmits<{ pick: [cameraId: string] }>();

const box = useTemplateRef('box');
const { width } = useElementSize(box);
const left = 44;
const [top, bottom] = [16, 54];
const openSite = useOpenSite();
const strip = computed(() => stripOf(state, needs, openSite.value));
const x = (share: number): number => left + share * (width.value - left - 6);
const path = ({ fromX, toX }: { fromX: number | null; toX: number }): string => {
  const [from, to] = [fromX === null ? left - 6 : x(fromX), x(toX)];
  return fromX === null
    ? `M${from} ${top + 10} C${from + 30} ${top + 24} ${to} ${bottom - 22} ${to} ${bottom}`
    : `M${from} ${top} C${from} ${top + 22} ${to} ${bottom - 22} ${to} ${bottom}`;
};
const words = computed(() => {
  const count = (kind: string) => strip.value.leads.filter((lead) => lead.kind === kind).length;
  const ends = strip.value.ending.length > 0 ? `, ${strip.value.ending.length} end` : '';
  return `Leads of ${state.recorder.name}: ${count('stays') + count('undecided')} stay, ${count('repatched')} patched elsewhere, ${count('network')} by the network${ends}`;
});
</script>

<template>
  <div ref="box" class="strip">
    <svg v-if="width > 0" :width="width" height="70" role="img" :aria-label="words">
      <text x="0" y="12">today</text>
      <text x="0" :y="bottom + 12">after</text>
      <g v-for="tick in strip.ticks" :key="tick.slot">
        <line :x1="x(tick.x)" :x2="x(tick.x)" :y1="top - 2" :y2="top + 2" class="tick" />
        <rect :x="x(tick.x) - 2" :y="bottom - 2" width="4" height="4" :class="tick.carries" />
        <text v-if="tick.today !== null" :x="x(tick.x)" y="12" text-anchor="middle">{{ tick.today }}</text>
        <text :x="x(tick.x)" :y="bottom + 13" text-anchor="middle" :class="{ empty: tick.after === null }">
          {{ tick.after ?? '·' }}
        </text>
      </g>
      <path
        v-for="lead in strip.leads"
        :key="lead.cameraId"
        :d="path(lead)"
        :class="[lead.kind, { here: lead.cameraId === here }]"
        @click="emit('pick', lead.cameraId)"
      >
        <title>{{ lead.number }}</title>
      </path>
      <path
        v-for="lead in strip.ending"
        :key="`ends-${lead.cameraId}`"
        :d="`M${x(lead.x)} ${top} v13 m-4 -4 l8 8 m0 -8 l-8 8`"
        class="ends"
        :class="{ here: lead.cameraId === here }"
        @click="emit('pick', lead.cameraId)"
      >
        <title>{{ lead.number }}: its lead ends, the view is given up or seen by another camera</title>
      </path>
    </svg>
  </div>
</template>

<style scoped>
.strip {
  min-height: 70px;
  padding-top: 4px;
  overflow: hidden;
}
text {
  font: 10px var(--mono);
  fill: var(--ink-2);
}
text.empty {
  fill: var(--rule-strong);
}
.tick {
  stroke: var(--rule-strong);
}
rect.coax {
  fill: var(--copper-2);
  stroke: var(--copper);
}
rect.ip {
  fill: var(--verdigris-2);
  stroke: var(--verdigris);
}
path {
  fill: none;
  stroke: var(--copper);
  stroke-width: 1.4;
  cursor: pointer;
}
path.undecided {
  stroke-dasharray: 2 3;
}
path.repatched {
  stroke-width: 2.6;
}
path.network {
  stroke: var(--verdigris);
  stroke-dasharray: 6 3;
}
path.ends {
  stroke: var(--madder);
}
path.here {
  stroke-width: 4;
}
</style>
