<script setup lang="ts">
import { computed } from 'vue';
import { withFields, type HookUp } from '#core/model/site';
import FieldRow from '../../../parts/FieldRow.vue';
import PickField from '../../../parts/PickField.vue';
import QuantityField from '../../../parts/QuantityField.vue';
import { fitting } from '../../../parts/within';
import { useOpenSite } from '../../../stores/openSite';

/** Where a thing is mounted, and which circuit or UPS it hangs on. */
const {
  hookUp = {},
  ownId,
  watts = true,
} = defineProps<{ hookUp?: HookUp | undefined; ownId: string; watts?: boolean }>();
const emit = defineEmits<{ set: [hookUp: HookUp | undefined] }>();
const openSite = useOpenSite();

const gear = computed(() => Object.values(openSite.value.equipment).filter(({ id }) => id !== ownId));
/** A pick needs a value for nothing, too. */
const nothing = '-';
const none = { value: nothing, label: 'Not noted' };
const racks = computed(() => [
  none,
  ...gear.value.filter((one) => one.gear.kind === 'rack').map(({ id, name }) => ({ value: id, label: name })),
]);
const feeds = computed(() => [
  none,
  ...gear.value
    .filter((one) => one.gear.kind === 'circuit' || one.gear.kind === 'ups')
    .map(({ id, name }) => ({ value: id, label: name })),
]);

function set(fields: { [K in keyof HookUp]: HookUp[K] | undefined }): void {
  const next = withFields<HookUp>(hookUp, fields);
  emit('set', Object.keys(next).length > 0 ? next : undefined);
}
</script>

<template>
  <FieldRow label="Mounted in">
    <PickField
      :value="hookUp.rackId ?? nothing"
      :choices="racks"
      label="Rack"
      @take="
        (rackId) =>
          set(
            rackId !== nothing
              ? { rackId }
              : { rackId: undefined, rackUnits: undefined, rackFrom: undefined },
          )
      "
    />
    <template v-if="hookUp.rackId"
      ><QuantityField
        :value="hookUp.rackUnits ?? 1"
        unit=""
        label="Rack units"
        :allowed="fitting('supply', 'hookUp.rackUnits')"
        @take="(rackUnits) => set({ rackUnits })" /><span class="dim tiny">units, the lowest at</span
      ><QuantityField
        :value="hookUp.rackFrom ?? null"
        unit=""
        label="Lowest rack unit"
        clearable
        :allowed="fitting('supply', 'hookUp.rackFrom')"
        @take="(rackFrom) => set({ rackFrom })"
        @clear="set({ rackFrom: undefined })"
    /></template>
  </FieldRow>
  <FieldRow label="Mains from">
    <PickField
      :value="hookUp.fedById ?? nothing"
      :choices="feeds"
      label="Circuit or UPS"
      @take="(fedById) => set({ fedById: fedById === nothing ? undefined : fedById })"
    />
    <QuantityField
      v-if="watts"
      :value="hookUp.mainsWatts ?? null"
      unit="W"
      label="Watts from the mains"
      placeholder="watts"
      :allowed="fitting('supply', 'hookUp.mainsWatts', 'W')"
      @take="(mainsWatts) => set({ mainsWatts })"
    />
  </FieldRow>
</template>
