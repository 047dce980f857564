<script setup lang="ts">
import { computed } from 'vue';
import { acceptanceCheckOf } from '#core/model/site';
import { thingKey, type ThingState } from '#core/signoff/acceptance';
import { thingLabel } from '../../stores/signOff';

/** Figures that nobody has read and that are expected outside what is accepted: better seen to now than at the sign-off. */
const { things } = defineProps<{ things: readonly ThingState[] }>();
defineEmits<{ pick: [thing: ThingState] }>();
const foreseen = computed(() =>
  things.flatMap((thing) =>
    thing.checks
      .filter((check) => check.foreseen)
      .map(({ check }) => ({ thing, check, label: acceptanceCheckOf(check).label.toLowerCase() })),
  ),
);
</script>

<template>
  <p v-if="foreseen.length > 0" class="caution foreseen" data-foreseen-list>
    Expected outside what is accepted, before anybody has read it:
    <button
      v-for="{ thing, check, label } in foreseen"
      :key="`${thingKey(thing.of)} ${check}`"
      type="button"
      class="btn small"
      @click="$emit('pick', thing)"
    >
      {{ thingLabel(thing) }}, {{ label }}
    </button>
  </p>
</template>

<style scoped>
.foreseen {
  margin-bottom: 8px;
}
.btn.small {
  min-height: 24px;
  margin: 2px 6px 2px 0;
}
</style>
