<script setup lang="ts">
import {
  gearAt,
  inLinePositions,
  withGearAt,
  type FactUpdate,
  type InLineAt,
  type InLineGearKind,
  type Run,
} from '#core/model/site';
import { choices } from '#core/model/labels';
import FieldRow from '../../parts/FieldRow.vue';
import PicksField from '../../parts/PicksField.vue';

/** What stands in the coax beside its joints: most of it keeps power and data from getting through. */
const { run } = defineProps<{ run: Run }>();
const emit = defineEmits<{ change: [what: string, next: FactUpdate<Run>] }>();
const words: Record<InLineAt, string> = {
  'head-end': 'At the head end',
  'on-the-way': 'On the way',
  camera: 'At the camera',
};
const take = (at: InLineAt, kinds: InLineGearKind[]) =>
  emit('change', `Gear ${words[at].toLowerCase()}`, (now) => withGearAt(now, at, kinds));
</script>

<template>
  <FieldRow v-for="at in inLinePositions" :key="at" :label="words[at]" field="inLine">
    <PicksField
      :values="gearAt(run, at)"
      :choices="choices.inLineGear"
      :label="words[at]"
      @take="(kinds) => take(at, kinds)"
    />
  </FieldRow>
</template>
