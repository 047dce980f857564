<script setup lang="ts">
import { computed } from 'vue';
import { powerCable, waysToShareCores } from '#core/physics/cable';
import type { PowerLead } from '#core/model/site';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { fitting } from '../../parts/within';
import { useMeasures } from '../../stores/measures';

/** Power cores of one kind from end to end: which cable, how many of its cores, how long and how warm. */
const { lead, called, hint } = defineProps<{ lead: PowerLead; called: string; hint: string }>();
const emit = defineEmits<{ take: [fields: Partial<PowerLead>] }>();
const measures = useMeasures();
const coreWays = computed(() =>
  waysToShareCores(powerCable(lead.cable).cores).map(({ outCores, backCores }) => ({
    value: `${outCores}/${backCores}`,
    label: `${outCores} out, ${backCores} back`,
  })),
);
function takeCores(value: string): void {
  const [outCores = 1, backCores = 1] = value.split('/').map(Number);
  emit('take', { outCores, backCores });
}
const title = computed(() => called.charAt(0).toUpperCase() + called.slice(1));
</script>

<template>
  <FieldRow :label="title" field="feed" :hint="hint">
    <PickField
      :value="lead.cable"
      :choices="measures.powerCables"
      :label="`Cable of the ${called}`"
      @take="(cable) => emit('take', { cable, outCores: 1, backCores: 1 })"
    />
    <PickField
      v-if="coreWays.length > 1"
      :value="`${lead.outCores}/${lead.backCores}`"
      :choices="coreWays"
      :label="`Cores of the ${called}`"
      @take="takeCores"
    />
  </FieldRow>
  <FieldRow label="Its length" field="feed">
    <QuantityField
      :value="lead.lengthM"
      unit="m"
      :label="`Length of the ${called}`"
      :allowed="fitting('run', 'feed[separate-pair].lengthM', 'm')"
      @take="(lengthM) => emit('take', { lengthM })"
    />
    <QuantityField
      :value="lead.temperatureC"
      unit="°C"
      :label="`Temperature of the ${called}`"
      :allowed="fitting('run', 'feed[separate-pair].temperatureC', '°C')"
      @take="(temperatureC) => emit('take', { temperatureC })"
    />
  </FieldRow>
</template>
