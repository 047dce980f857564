<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { thingKey } from '#core/signoff/acceptance';
import { useEvaluation } from '../../stores/evaluation';
import { thingLabel, useSignOff } from '../../stores/signOff';
import ThingSheet from '../signoff/ThingSheet.vue';

/** What the sign-off asks of a camera, read while whoever changed it still stands there. Worked out once it is opened. */
const { cameraId } = defineProps<{ cameraId: string }>();
const signOff = useSignOff();
const evaluation = useEvaluation();
const isOpen = ref(false);
watch([isOpen, () => evaluation.result], () => {
  if (isOpen.value) void signOff.look();
});
const thing = computed(() => signOff.byKey.get(thingKey({ kind: 'camera', id: cameraId })) ?? null);
</script>

<template>
  <details class="readings" @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
    <summary>Readings for the sign-off</summary>
    <template v-if="isOpen">
      <ThingSheet
        v-if="thing && signOff.now"
        :thing="thing"
        :agreement="signOff.now.agreement"
        :title="thingLabel(thing)"
      />
      <p v-else class="dim" aria-busy="true">
        {{ signOff.now ? 'Nothing is asked of it.' : 'What is asked for is worked out…' }}
      </p>
    </template>
  </details>
</template>

<style scoped>
.readings {
  border: 1px solid var(--rule-strong);
  background: var(--sheet);
}
summary {
  display: flex;
  align-items: center;
  min-height: 46px;
  padding: 0 10px;
  cursor: pointer;
}
</style>
