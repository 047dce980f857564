<script setup lang="ts">
import { computed } from 'vue';
import type { Pin, Site } from '#core/model/site';

/** A thing's mark on the drawing, by its own shape: nothing here rests on colour alone. Drawn in pixels of the window. */
const { pin, site, isHere, named } = defineProps<{ pin: Pin; site: Site; isHere: boolean; named: boolean }>();

const role = computed(() => (pin.of.kind === 'place' ? (site.place[pin.of.id]?.role ?? 'area') : null));
const label = computed(() => {
  switch (pin.of.kind) {
    case 'camera':
      return String(site.camera[pin.of.id]?.number ?? '');
    default:
      return site[pin.of.kind][pin.of.id]?.name ?? '';
  }
});
</script>

<template>
  <g class="pin" :class="[pin.of.kind, { here: isHere }]">
    <circle v-if="isHere" r="15" class="halo" />
    <template v-if="pin.of.kind === 'camera'"
      ><circle r="9" /><text y="3.5" text-anchor="middle" class="number">{{ label }}</text></template
    >
    <template v-else-if="role === 'head-end'"
      ><rect x="-9" y="-9" width="18" height="18" /><rect
        x="-4.5"
        y="-4.5"
        width="9"
        height="9"
        class="inner"
    /></template>
    <rect v-else-if="role === 'closet'" x="-8" y="-8" width="16" height="16" />
    <path v-else-if="role === 'junction-box'" d="M0 -9 L9 0 L0 9 L-9 0 Z" />
    <path v-else-if="role === 'area'" d="M-8 0 H8 M0 -8 V8" class="cross" />
    <path v-else-if="pin.of.kind === 'recorder'" d="M-10 -6 H10 V6 H-10 Z M-6 0 H2" />
    <path v-else-if="pin.of.kind === 'supply'" d="M-10 -6 H10 V6 H-10 Z M2 -4 L-3 1 H3 L-2 5" />
    <path v-else d="M-10 -6 H10 V6 H-10 Z" />
    <text v-if="pin.of.kind !== 'camera' && (named || isHere)" x="13" y="4" class="label">{{ label }}</text>
  </g>
</template>

<style scoped>
.pin circle,
.pin rect,
.pin path {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.pin .inner {
  fill: var(--ink);
}
.pin .cross {
  fill: none;
}
.pin.camera circle {
  stroke: var(--copper);
  stroke-width: 2;
}
.pin .halo {
  fill: var(--copper-2) !important;
  stroke: none !important;
  opacity: 0.7;
}
.number {
  font-weight: 500;
  fill: var(--ink) !important;
}
.label {
  font-family: var(--face) !important;
  font-size: 11px !important;
  fill: var(--ink) !important;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
</style>
