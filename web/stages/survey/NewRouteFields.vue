<script setup lang="ts">
import { computed } from 'vue';
import { withFields, type FactUpdate, type Run } from '#core/model/site';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';
import { fitting } from '../../parts/within';
import { useOpenSite } from '../../stores/openSite';

/** Whether a new cable could be brought to the camera, from where and how far. */
const { run, lengthM } = defineProps<{ run: Run; lengthM: number }>();
const emit = defineEmits<{ change: [what: string, next: FactUpdate<Run>] }>();
const openSite = useOpenSite();

const ways = [
  { value: 'unseen' as const, label: 'Not surveyed' },
  { value: 'open' as const, label: 'Feasible' },
  { value: 'closed' as const, label: 'Not feasible' },
];
const closets = computed(() =>
  Object.values(openSite.value.place)
    .filter(({ networkCloset, id }) => networkCloset || id === run.headEndId)
    .map(({ id, name }) => ({ value: id, label: name })),
);

const set = (fields: { newRoute: Run['newRoute'] | undefined }) =>
  emit('change', 'New cable', (now) => withFields(now, fields));

function take(way: 'unseen' | 'open' | 'closed'): void {
  const fromPlaceId = closets.value[0]?.value ?? run.headEndId;
  const newRoutes = {
    unseen: undefined,
    open: { kind: 'open', fromPlaceId, lengthM: Math.ceil(lengthM) },
    closed: { kind: 'closed', why: 'not said' },
  } as const;
  set({ newRoute: newRoutes[way] });
}
</script>

<template>
  <FieldRow label="A new cable" field="newRoute"
    ><PickField
      :value="run.newRoute?.kind ?? 'unseen'"
      :choices="ways"
      label="Could a new cable be brought"
      @take="take"
  /></FieldRow>
  <FieldRow v-if="run.newRoute?.kind === 'open'" label="From" field="newRoute">
    <PickField
      :value="run.newRoute.fromPlaceId"
      :choices="closets"
      label="New cable from"
      @take="
        (fromPlaceId) => run.newRoute?.kind === 'open' && set({ newRoute: { ...run.newRoute, fromPlaceId } })
      "
    />
    <QuantityField
      :value="run.newRoute.lengthM"
      unit="m"
      label="Length of a new cable"
      :allowed="fitting('run', 'newRoute[open].lengthM', 'm')"
      @take="
        (metres) => run.newRoute?.kind === 'open' && set({ newRoute: { ...run.newRoute, lengthM: metres } })
      "
    />
  </FieldRow>
  <FieldRow v-else-if="run.newRoute?.kind === 'closed'" label="Because" field="newRoute"
    ><TextField
      :value="run.newRoute.why"
      label="Why no new cable"
      :refuse="
        (text) => (text.length >= 1 && text.length <= 200 ? undefined : 'a reason, up to 200 characters')
      "
      @take="(why) => set({ newRoute: { kind: 'closed', why } })"
  /></FieldRow>
</template>
