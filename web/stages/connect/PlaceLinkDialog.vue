<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { computed, reactive, ref } from 'vue';
import { freeId, linkMedia, usualLinkMbps, type Link, type LinkEnd, type LinkMedium } from '#core/model/site';
import DialogFoot from '../../parts/DialogFoot.vue';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { fitting } from '../../parts/within';
import { idMark } from '../../stores/idMark';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import LinkEndField from './LinkEndField.vue';
import { mediumStrokes } from './media';

/** Notes a link between the network gear of two places, there or planned. */
const visible = defineModel<boolean>('visible', { required: true });
const store = useSite();
const openSite = useOpenSite();
const wanted = reactive<Omit<Link, 'id' | 'name'>>({
  fromPlaceId: '',
  toPlaceId: '',
  medium: 'category',
  lengthM: 50,
  carriesMbps: usualLinkMbps.category,
  state: 'there',
});
const ends = reactive<{ from: LinkEnd | null; to: LinkEnd | null }>({ from: null, to: null });
const problems = ref<string[]>([]);
const places = computed(() =>
  Object.values(openSite.value.place)
    .map(({ id, name }) => ({ value: id, label: name }))
    .sort((a, b) => a.label.localeCompare(b.label)),
);
const media = linkMedia.map((value) => ({ value, label: mediumStrokes[value].label }));
const states = [
  { value: 'there' as const, label: 'There' },
  { value: 'planned' as const, label: 'Planned' },
];
function takeMedium(medium: LinkMedium): void {
  wanted.medium = medium;
  wanted.carriesMbps = usualLinkMbps[medium];
}
function add(): void {
  const { fromPlaceId, toPlaceId } = wanted;
  const { place, link } = openSite.value;
  const [from, to] = [place[fromPlaceId], place[toPlaceId]];
  problems.value = [
    ...(from && to ? [] : ['Say which two places it joins.']),
    ...(from && from === to ? ['It joins two different places.'] : []),
  ];
  if (!from || !to || problems.value.length > 0) return;
  const name = `${from.name} to ${to.name}, ${mediumStrokes[wanted.medium].label}`.slice(0, 80);
  const id = freeId((one) => one in link, name.slice(0, 40), idMark);
  problems.value = store
    .change(`Note the link ${name}`, [
      {
        kind: 'link',
        id,
        set: {
          id,
          name,
          ...wanted,
          ...(ends.from ? { fromEnd: { ...ends.from } } : {}),
          ...(ends.to ? { toEnd: { ...ends.to } } : {}),
        },
      },
    ])
    .map(({ allowed }) => allowed);
  if (problems.value.length === 0) visible.value = false;
}
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Note a link" :style="{ width: '400px' }" dismissable-mask>
    <form class="fields" @submit.prevent="add">
      <FieldRow label="From"
        ><PickField
          :value="wanted.fromPlaceId || null"
          :choices="places"
          label="From"
          @take="(id) => [(wanted.fromPlaceId = id), (ends.from = null)]"
      /></FieldRow>
      <LinkEndField v-model="ends.from" :place-id="wanted.fromPlaceId" label="Plugged into there" />
      <FieldRow label="To"
        ><PickField
          :value="wanted.toPlaceId || null"
          :choices="places"
          label="To"
          @take="(id) => [(wanted.toPlaceId = id), (ends.to = null)]"
      /></FieldRow>
      <LinkEndField v-model="ends.to" :place-id="wanted.toPlaceId" label="Plugged into at the other end" />
      <FieldRow label="Over"
        ><PickField :value="wanted.medium" :choices="media" label="Over" @take="takeMedium"
      /></FieldRow>
      <FieldRow label="Length"
        ><QuantityField
          :value="wanted.lengthM"
          unit="m"
          label="Length of the link"
          :allowed="fitting('link', 'lengthM')"
          @take="(lengthM) => (wanted.lengthM = lengthM)"
      /></FieldRow>
      <FieldRow label="Carries"
        ><QuantityField
          :value="wanted.carriesMbps"
          unit="Mb/s"
          label="What the link carries"
          :allowed="fitting('link', 'carriesMbps')"
          @take="(carriesMbps) => (wanted.carriesMbps = carriesMbps)"
      /></FieldRow>
      <FieldRow label="It is"
        ><PickField
          :value="wanted.state"
          :choices="states"
          label="It is"
          @take="(state) => (wanted.state = state)"
      /></FieldRow>
      <DialogFoot :problems="problems" go="Note the link" @leave="visible = false" />
    </form>
  </Dialog>
</template>
