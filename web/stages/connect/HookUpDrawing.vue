<script setup lang="ts">
import { computed } from 'vue';
import { hookUpLayout, hookUpSizes, type HookUp } from '#core/connect/hookUp';
import { useMeasures } from '../../stores/measures';
import TextLines from './TextLines.vue';

/** Every connector, conductor and terminal between a recorder's input or a switch's port and a camera. */
const { hookUp } = defineProps<{ hookUp: HookUp }>();
const { spanWidth, stationWidth, lineHeight } = hookUpSizes;
const own = useMeasures();
const layout = computed(() => hookUpLayout(hookUp, (lengthM) => own.quantity(lengthM, 'm')));
const looks = {
  coax: { colour: 'var(--copper)', weight: 4, dashes: '' },
  pair: { colour: 'var(--verdigris)', weight: 3, dashes: '8 3' },
  cores: { colour: 'var(--ink-2)', weight: 2, dashes: '' },
  fibre: { colour: 'var(--slate)', weight: 2, dashes: '1 4' },
  radio: { colour: 'var(--ink-2)', weight: 1.5, dashes: '2 6' },
  patch: { colour: 'var(--verdigris)', weight: 2, dashes: '4 2' },
} as const;
/** What the drawing shows, for whoever hears it. */
const words = computed(() =>
  hookUp.lines
    .map(
      ({ carries, stations, spans }) =>
        `${carries}: ${stations
          .map(({ name, where }, index) => {
            const span = spans[index];
            return `${name}, ${where}${span ? `, then ${span.label}${span.cores ? `, ${span.cores}` : ''}` : ''}`;
          })
          .join('; ')}`,
    )
    .join('. '),
);
</script>

<template>
  <svg
    class="hook-up"
    xmlns="http://www.w3.org/2000/svg"
    :viewBox="`-2 -2 ${layout.width} ${layout.height}`"
    :width="layout.width"
    role="img"
    :aria-label="`${hookUp.title}. ${words}`"
    font-family="Archivo, sans-serif"
    font-size="11"
  >
    <g v-for="(line, index) in layout.lines" :key="index" :transform="`translate(0 ${line.y})`">
      <text y="10" fill="var(--ink-2)">{{ line.carries }}</text>
      <g v-for="(span, at) in line.spans" :key="`span ${at}`">
        <line
          :x1="span.x"
          :x2="span.x + spanWidth"
          :y1="line.middle"
          :y2="line.middle"
          :stroke="looks[span.look].colour"
          :stroke-width="looks[span.look].weight"
          :stroke-dasharray="looks[span.look].dashes || undefined"
        />
        <TextLines
          :lines="span.above"
          :x="span.x + spanWidth / 2"
          :y="line.middle - 8 - (span.above.length - 1) * lineHeight"
          text-anchor="middle"
          fill="var(--ink)"
        />
        <TextLines
          :lines="span.below"
          :x="span.x + spanWidth / 2"
          :y="line.middle + 16"
          text-anchor="middle"
          fill="var(--ink-2)"
        />
      </g>
      <g v-for="(station, at) in line.stations" :key="`station ${at}`">
        <rect
          :x="station.x"
          :y="line.middle - station.height / 2"
          :width="stationWidth"
          :height="station.height"
          fill="var(--sheet)"
          stroke="var(--ink-2)"
        />
        <TextLines
          :lines="station.name"
          :x="station.x + 8"
          :y="line.middle - station.height / 2 + 15"
          font-weight="650"
          fill="var(--ink)"
        />
        <TextLines
          :lines="station.words"
          :x="station.x + 8"
          :y="line.middle - station.height / 2 + 15 + station.name.length * lineHeight"
          fill="var(--ink-2)"
        />
      </g>
    </g>
  </svg>
</template>

<style scoped>
/* Figures elsewhere are in the monospaced face; here it is words. */
.hook-up :deep(text) {
  font-family: inherit;
  font-size: 11px;
}
.hook-up {
  display: block;
  max-width: 100%;
  height: auto;
}
/* On a phone it is moved under the finger rather than shrunk until nobody can read it. */
@media screen and (max-width: 700px) {
  .hook-up {
    max-width: none;
  }
}
</style>
