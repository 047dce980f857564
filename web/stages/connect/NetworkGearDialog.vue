<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { computed, reactive, ref } from 'vue';
import { networkGearRows, newNetworkGear, type NewNetworkGear } from '#core/connect/gear';
import { catalogueOf } from '#core/model/catalogue';
import { choices } from '#core/model/labels';
import { networkGearKinds } from '#core/model/site';
import DialogFoot from '../../parts/DialogFoot.vue';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import PlaceField from '../../parts/PlaceField.vue';
import TextField from '../../parts/TextField.vue';
import { idMark } from '../../stores/idMark';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';

/** Notes a switch, unit, radio or converter: one that is there, or one that is to be bought. */
const visible = defineModel<boolean>('visible', { required: true });
const store = useSite();
const openSite = useOpenSite();

/** What it is, by one key: a kind that is there, or a row of the catalogue. */
const what = computed(() => [
  ...networkGearKinds.map((gear) => ({
    value: `there ${gear}`,
    label: `${choices.gear.find(({ value }) => value === gear)!.label}, there`,
    what: { kind: 'there', gear } as const,
  })),
  ...networkGearRows(catalogueOf(openSite.value)).map(({ id, name }) => ({
    value: `buy ${id}`,
    label: `To buy: ${name}`,
    what: { kind: 'to-buy', productId: id } as const,
  })),
]);
const wanted = reactive({ name: '', placeName: '', key: 'there switch' });
const problems = ref<string[]>([]);

function add(): void {
  problems.value = [
    ...(wanted.name.trim() ? [] : ['Name it, such as “Pole switch”.']),
    ...(wanted.placeName.trim() ? [] : ['Say where it stands.']),
  ];
  const chosen: NewNetworkGear['what'] | undefined = what.value.find(
    ({ value }) => value === wanted.key,
  )?.what;
  if (problems.value.length > 0 || !chosen) return;
  const { name, placeName } = wanted;
  const changes = newNetworkGear(openSite.value, { name, placeName, what: chosen }, idMark);
  problems.value = store.change(`Note ${name}`, changes).map(({ allowed }) => allowed);
  if (problems.value.length === 0) visible.value = false;
}
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Add network gear" :style="{ width: '440px' }">
    <form class="fields" @submit.prevent="add">
      <FieldRow label="It is"
        ><PickField :value="wanted.key" :choices="what" label="It is" @take="(key) => (wanted.key = key)"
      /></FieldRow>
      <FieldRow label="Name"
        ><TextField
          :value="wanted.name"
          label="Name of the gear"
          placeholder="What its label says"
          @take="(name) => (wanted.name = name)"
      /></FieldRow>
      <FieldRow label="Place"><PlaceField v-model="wanted.placeName" /></FieldRow>
      <p class="dim tiny">
        Ports, watts and address stand in Survey &gt; Head end; they start from usual figures.
      </p>
      <DialogFoot :problems="problems" go="Add it" @leave="visible = false" />
    </form>
  </Dialog>
</template>
