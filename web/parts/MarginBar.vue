<script setup lang="ts">
import { computed, useId } from 'vue';

/** How well something holds: filled by the share of its limit, running past the tick when over, hatched when untested. */
const {
  utilisation: share,
  state,
  width = 56,
  height = 8,
  hatched = false,
} = defineProps<{
  utilisation: number | null;
  state: 'holds' | 'close' | 'fails' | 'untested' | 'stop';
  width?: number;
  height?: number;
  hatched?: boolean;
}>();

const pattern = useId();
const limitX = computed(() => width * 0.76);
/** What was found rather than measured has a standing and no figure: it fills the bar, or only its foot where all is well. */
const drawn = computed(() => share ?? { holds: 0.12, close: 1, fails: 1.3, stop: 1.3, untested: 0 }[state]);
const filled = computed(() => Math.min(drawn.value, 1) * limitX.value);
const over = computed(() =>
  drawn.value > 1 ? Math.min(width - limitX.value, Math.max(3, (drawn.value - 1) * limitX.value)) : 0,
);
const colour = computed(
  () =>
    ({
      holds: 'var(--verdigris)',
      close: 'var(--ochre)',
      fails: 'var(--madder)',
      stop: 'var(--madder)',
      untested: 'var(--ink-3)',
    })[state],
);
const isHatched = computed(() => hatched || state === 'untested');
const words = computed(
  () =>
    `${share === null ? (state === 'untested' ? 'no reading' : 'found') : `${Math.round(share * 100)} % of the limit`}, ${state}${hatched && state !== 'untested' ? ', untested' : ''}`,
);
</script>

<template>
  <svg class="margin-bar" :width="width" :height="height + 4" role="img" :aria-label="words">
    <defs v-if="isHatched">
      <pattern :id="pattern" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="4" :stroke="colour" stroke-width="2.4" />
      </pattern>
    </defs>
    <rect x="0" y="2" :width="limitX" :height="height" fill="var(--rule)" opacity="0.55" />
    <rect
      x="0"
      y="2"
      :width="isHatched && share === null ? limitX : filled"
      :height="height"
      :fill="isHatched ? `url(#${pattern})` : colour"
    />
    <rect
      v-if="over > 0"
      :x="limitX"
      y="4"
      :width="over"
      :height="height - 4"
      :fill="isHatched ? `url(#${pattern})` : colour"
    />
    <line :x1="limitX" :x2="limitX" y1="0" :y2="height + 4" stroke="var(--ink)" stroke-width="1.5" />
  </svg>
</template>

<style scoped>
.margin-bar {
  display: inline-block;
  vertical-align: middle;
  flex: none;
}
</style>
