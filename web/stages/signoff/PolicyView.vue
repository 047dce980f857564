<script setup lang="ts">
import { computed } from 'vue';
import {
  policyFigureIds,
  policyFigures,
  policyFiguresOf,
  setPolicyFigure,
  type PolicyFigureId,
} from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import FieldRow from '../../parts/FieldRow.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';

/** By what readings are accepted: the usual figures, and the firm’s own where they are others. */
const store = useSite();
const openSite = useOpenSite();
const figures = computed(() => policyFiguresOf(openSite.value));

const allowed = (id: PolicyFigureId) => (value: number) => {
  const { least, most, unit } = policyFigures[id];
  return value < least || value > most
    ? `From ${formatQuantity(least, unit)} to ${formatQuantity(most, unit)}.`
    : undefined;
};
function set(id: PolicyFigureId, value: number): void {
  const changes = setPolicyFigure(openSite.value, id, value);
  if (changes.length > 0) store.change(`Accepted by: ${policyFigures[id].label}`, changes);
}
</script>

<template>
  <div class="policy" tabindex="0" role="region" aria-label="Accepted by">
    <p class="dim">
      What a reading has to meet before anybody signs. A stricter figure asks more of every camera at once;
      what was signed by another figure stays signed.
    </p>
    <FieldRow
      v-for="id in policyFigureIds"
      :key="id"
      :label="policyFigures[id].label"
      :hint="
        figures[id] === policyFigures[id].usual
          ? ''
          : `usually ${formatQuantity(policyFigures[id].usual, policyFigures[id].unit, 1)}`
      "
    >
      <QuantityField
        :value="figures[id]"
        :unit="policyFigures[id].unit"
        :label="policyFigures[id].label"
        :allowed="allowed(id)"
        @take="(value) => set(id, value)"
      />
    </FieldRow>
  </div>
</template>

<style scoped>
.policy {
  max-width: 560px;
  overflow: hidden auto;
  scrollbar-width: thin;
}
p {
  padding-bottom: 8px;
}
</style>
