<script setup lang="ts">
import { computed } from 'vue';
import { isNetworkGear, type LinkEnd } from '#core/model/site';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { fitting } from '../../parts/within';
import { useOpenSite } from '../../stores/openSite';

/** What an end of a link is plugged into at its place, and in which port; nothing where whatever joins the place will do. */
const end = defineModel<LinkEnd | null>({ required: true });
const { placeId, label } = defineProps<{ placeId: string; label: string }>();
const openSite = useOpenSite();

/** An empty choice would be shown as none. */
const anything = '-';
const gear = computed(() => [
  ...Object.values(openSite.value.equipment).filter((one) => isNetworkGear(one.gear)),
  ...Object.values(openSite.value.recorder),
]);
const choices = computed(() => [
  { value: anything, label: 'Whatever joins the place' },
  ...gear.value.filter((one) => one.placeId === placeId).map(({ id, name }) => ({ value: id, label: name })),
]);
const take = (deviceId: string): void => {
  end.value = deviceId === anything ? null : { deviceId };
};
</script>

<template>
  <FieldRow v-if="choices.length > 1" label="Plugged into"
    ><PickField :value="end?.deviceId ?? anything" :choices="choices" :label="label" @take="take" /><template
      v-if="end"
      ><span class="dim tiny">port</span
      ><QuantityField
        :value="end.port ?? null"
        unit=""
        :label="`${label}, port`"
        clearable
        :allowed="fitting('link', 'fromEnd.port')"
        @take="(port) => (end = { deviceId: end!.deviceId, port })"
        @clear="end = { deviceId: end!.deviceId }" /></template
  ></FieldRow>
</template>
