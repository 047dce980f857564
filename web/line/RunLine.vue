<script setup lang="ts">
import { useElementSize } from '@vueuse/core';
import { computed, useTemplateRef } from 'vue';
import type { LightRun } from '#core/evaluation';
import EndMark from './EndMark.vue';
import { useMeasures } from '../stores/measures';
import { axisTicks, layOut } from './lineGeometry';
import LineStrokes from './LineStrokes.vue';

const { evaluation, headEnd, cameraEnd = '' } = defineProps<{ evaluation: LightRun; headEnd: string; cameraEnd?: string }>();

const box = useTemplateRef('box');
const { width } = useElementSize(box);
const x0 = 88;
const pxPerM = computed(() => Math.max(0.01, (width.value - x0 - 60) / evaluation.lengthM));
const own = useMeasures();
const shape = computed(() => layOut(evaluation.run, x0, pxPerM.value, (lengthM) => own.quantity(lengthM, 'm')));
/** A stretch is named where there is room for it beside what arrives at the camera. */
const wordsPx = computed(() => (cameraEnd ? 240 : 120));
const ticks = computed(() => axisTicks(evaluation.lengthM, Math.min(8, Math.max(1, Math.floor((width.value - x0) / 70))), x0, pxPerM.value, own.measures));
</script>

<template>
  <div ref="box" class="run-line">
    <svg v-if="width > 0" :width="width" height="92" role="img" :aria-label="`Run of camera ${evaluation.camera.number}: ${shape.words}`">
      <g v-for="(stretch, index) in shape.stretches" :key="index">
        <rect :x="stretch.x1" :width="Math.max(0, stretch.x2 - stretch.x1 - 1)" y="8" height="50" class="band" />
        <text v-if="stretch.x2 - stretch.x1 > wordsPx" :x="stretch.x1 + 4" y="19">{{ stretch.stroke.short }}, {{ stretch.environment.replace('-', ' ') }}</text>
      </g>
      <rect x="2" y="28" width="78" height="24" fill="var(--sheet)" stroke="var(--ink)" />
      <text x="41" y="44" text-anchor="middle">{{ headEnd }}</text>
      <line x1="80" :x2="x0" y1="40" y2="40" stroke="var(--ink)" />
      <LineStrokes :shape="shape" :y="40" />
      <EndMark :x="shape.endX + 7" :y="40" :state="evaluation.findings.state" />
      <text :x="shape.endX + 17" y="44" class="name">{{ evaluation.camera.number }}</text>
      <text v-if="cameraEnd" :x="shape.endX" y="22" text-anchor="end" class="arrives">{{ cameraEnd }}</text>
      <g v-for="tick in ticks" :key="tick.text">
        <line :x1="tick.x" :x2="tick.x" y1="62" y2="70" stroke="var(--rule-strong)" />
        <text :x="tick.x + 3" y="82">{{ tick.text }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.run-line svg { display: block; }
.band { fill: var(--sheet); opacity: 0.7; }
.arrives { fill: var(--ink) !important; }
</style>
