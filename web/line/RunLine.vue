<script setup lang="ts">
import { useElementSize } from '@vueuse/core';
import { computed, useTemplateRef } from 'vue';
import type { RunSummary } from '#core/evaluate';
import { layOut } from '#core/survey/lineShape';
import EndMark from './EndMark.vue';
import { useMeasures } from '../stores/measures';
import { axisTicks } from './lineGeometry';
import LineStrokes from './LineStrokes.vue';

/** Something found at a metre of the line. */
export interface LineMark {
  atM: number;
  label: string;
  grave: boolean;
  /** How far to either side it may be. */
  spreadM?: number;
}

const {
  evaluation,
  headEnd,
  cameraEnd = '',
  marks = [],
  axisM = 0,
} = defineProps<{
  evaluation: RunSummary;
  headEnd: string;
  cameraEnd?: string;
  marks?: readonly LineMark[];
  /** How many metres the drawing is to reach, where it shares its axis with something longer than the run. */
  axisM?: number;
}>();

const box = useTemplateRef('box');
const { width } = useElementSize(box);
const x0 = 88;
const pxPerLetter = 6.2;
const pxPerM = computed(() => Math.max(0.01, (width.value - x0 - 60) / Math.max(evaluation.lengthM, axisM)));
const own = useMeasures();
const shape = computed(() =>
  layOut(evaluation.run, x0, pxPerM.value, (lengthM) => own.quantity(lengthM, 'm')),
);
/** A stretch is named where there is room for it beside what arrives at the camera. */
const wordsPx = computed(() => (cameraEnd ? 240 : 120));
const placedMarks = computed(() =>
  marks.map((mark, index) => {
    const x = x0 + mark.atM * pxPerM.value;
    const spreadPx = (mark.spreadM ?? 0) * pxPerM.value;
    // Words stand to the right of their mark where there is room for them.
    const onLeft = x + mark.label.length * pxPerLetter > width.value && x > width.value / 2;
    // Every second one stands below the line, so that two beside each other can be read.
    return { ...mark, x, spreadPx, onLeft, textY: index % 2 === 0 ? 33 : 54 };
  }),
);
const ticks = computed(() =>
  axisTicks(
    Math.max(evaluation.lengthM, axisM),
    Math.min(8, Math.max(1, Math.floor((width.value - x0) / 70))),
    x0,
    pxPerM.value,
    own.measures,
  ),
);
</script>

<template>
  <div ref="box" class="run-line">
    <svg
      v-if="width > 0"
      :width="width"
      height="92"
      role="img"
      :aria-label="`Run of camera ${evaluation.camera.number}: ${shape.words}`"
    >
      <g v-for="(stretch, index) in shape.stretches" :key="index">
        <rect
          :x="stretch.x1"
          :width="Math.max(0, stretch.x2 - stretch.x1 - 1)"
          y="8"
          height="50"
          class="band"
        />
        <text v-if="stretch.x2 - stretch.x1 > wordsPx" :x="stretch.x1 + 4" y="19">
          {{ stretch.stroke.short }}, {{ stretch.environment.replace('-', ' ') }}
        </text>
      </g>
      <rect x="2" y="28" width="78" height="24" fill="var(--sheet)" stroke="var(--ink)" />
      <text x="41" y="44" text-anchor="middle">{{ headEnd }}</text>
      <line x1="80" :x2="x0" y1="40" y2="40" stroke="var(--ink)" />
      <LineStrokes :shape="shape" :y="40" />
      <g v-for="mark in placedMarks" :key="`${mark.atM}${mark.label}`" :class="mark.grave ? 'grave' : 'mild'">
        <rect
          v-if="mark.spreadPx > 1"
          :x="mark.x - mark.spreadPx"
          :width="2 * mark.spreadPx"
          y="35"
          height="10"
        />
        <line :x1="mark.x" :x2="mark.x" y1="24" y2="56" />
        <text
          :x="mark.onLeft ? mark.x - 4 : mark.x + 4"
          :y="mark.textY"
          :text-anchor="mark.onLeft ? 'end' : 'start'"
        >
          {{ mark.label }}
        </text>
      </g>
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
.run-line svg {
  display: block;
}
.band {
  fill: var(--sheet);
  opacity: 0.7;
}
.grave line {
  stroke: var(--madder);
  stroke-width: 2;
}
.grave rect {
  fill: var(--madder);
  opacity: 0.35;
}
.mild rect {
  fill: var(--ochre);
  opacity: 0.35;
}
.grave text {
  fill: var(--madder);
}
.mild line {
  stroke: var(--ochre);
  stroke-width: 2;
}
.mild text {
  fill: var(--ochre);
}
.arrives {
  fill: var(--ink) !important;
}
</style>
