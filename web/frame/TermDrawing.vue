<script setup lang="ts">
import { computed } from 'vue';
import { testDefinition, type TestId } from '#core/model/site';
import { strokeOf } from '#core/survey/lineShape';
import MarginBar from '../parts/MarginBar.vue';
import HookUpSketch from '../stages/test/HookUpSketch.vue';

/** A term as this program draws it: the stroke of a cable, the hook-up of a test, or the bar of a margin. */
const { term } = defineProps<{ term: string }>();
const cables: Record<string, { cable: string; hasLeg: boolean; joint?: true }> = {
  Coax: { cable: 'coax-rg59-cu', hasLeg: false },
  'Siamese cable': { cable: 'coax-rg59-cu', hasLeg: true },
  'Category cable': { cable: 'pair-cat5e', hasLeg: false },
  'Moulded cable': { cable: 'coax-mini', hasLeg: false },
  Joint: { cable: 'coax-rg6-cu', hasLeg: false, joint: true },
};
const tests: Record<string, TestId> = {
  'Foreign voltage': 'foreign-ac-volts',
  Insulation: 'insulation-megohms',
  'Loop resistance': 'coax-loop-ohms',
  Reflectometer: 'reflectometer',
  'Shield to earth': 'shield-earth-volts',
};
const margins: Record<string, { share: number; state: 'holds' | 'close' | 'fails' }> = {
  Margin: { share: 0.45, state: 'holds' },
  'Close margin': { share: 0.94, state: 'close' },
};
const cable = computed(() => cables[term]);
const stroke = computed(() => cable.value && strokeOf(cable.value.cable));
const test = computed(() => tests[term]);
const margin = computed(() => margins[term]);
</script>

<template>
  <svg v-if="cable && stroke" width="120" height="22" role="img" :aria-label="`${term} as it is drawn`">
    <line
      x1="4"
      x2="116"
      y1="10"
      y2="10"
      :stroke="`var(--${stroke.colour})`"
      :stroke-width="stroke.weight"
      :stroke-dasharray="stroke.dashes"
    />
    <line v-if="cable.hasLeg" x1="4" x2="116" y1="15" y2="15" stroke="var(--ink)" stroke-width="0.8" />
    <line v-if="cable.joint" x1="60" x2="60" y1="2" y2="18" stroke="var(--ink)" stroke-width="1.5" />
  </svg>
  <HookUpSketch v-else-if="test" :hook-up="testDefinition(test).hookUp" />
  <MarginBar v-else-if="margin" :utilisation="margin.share" :state="margin.state" :width="90" />
</template>
