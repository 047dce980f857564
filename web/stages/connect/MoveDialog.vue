<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { ref } from 'vue';
import type { CameraEnd, Move } from '#core/connect/topology';
import DialogFoot from '../../parts/DialogFoot.vue';
import FieldRow from '../../parts/FieldRow.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { fitting } from '../../parts/within';

/** A camera is to hang in another closet: how long is the way there? */
const { end, move } = defineProps<{ end: CameraEnd; move: Move }>();
const emit = defineEmits<{ take: [lengthM: number]; leave: [] }>();
const lengthM = ref<number | null>(null);
const problems = ref<string[]>([]);
function go(): void {
  problems.value = lengthM.value === null ? ['Give the length of the way, an estimate will do.'] : [];
  if (lengthM.value !== null) emit('take', lengthM.value);
}
const kind = end.runId === null ? ('networkCamera' as const) : ('run' as const);
const allowed =
  kind === 'run' ? fitting('run', 'newRoute[open].lengthM') : fitting('networkCamera', 'lead.lengthM');
</script>

<template>
  <Dialog
    visible
    modal
    :header="`Camera ${end.number} to ${move.device.name}`"
    :style="{ width: '400px' }"
    @update:visible="emit('leave')"
  >
    <form class="fields" @submit.prevent="go">
      <FieldRow label="Way there" :hint="`From ${move.device.name} to the camera, as the cable goes.`"
        ><QuantityField
          :value="lengthM"
          unit="m"
          label="Length of the way"
          autofocus
          :allowed="allowed"
          @take="(value) => (lengthM = value)"
      /></FieldRow>
      <DialogFoot :problems="problems" go="Hang it there" @leave="emit('leave')" />
    </form>
  </Dialog>
</template>
