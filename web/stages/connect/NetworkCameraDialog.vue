<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { computed, reactive, ref } from 'vue';
import { leadsTo, mediumWords } from '#core/connect/topology';
import {
  addNetworkCamera,
  leadMedia,
  targetClasses,
  withFields,
  type NetworkCamera,
  type NewNetworkCamera,
} from '#core/model/site';
import type { NetworkThen } from '#core/evaluate';
import { choices } from '#core/model/labels';
import DialogFoot from '../../parts/DialogFoot.vue';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import PlaceField from '../../parts/PlaceField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';
import { fitting } from '../../parts/within';
import { idMark } from '../../stores/idMark';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import { fateOf, fateRead, fates } from './fates';
import { slotRead, slotsToday, slotText } from './slotsToday';

/** Adds a camera that hangs on the network and on no old run: a new view, or an IP camera that is there. */
const visible = defineModel<boolean>('visible', { required: true });
const { network } = defineProps<{ network: NetworkThen | null }>();
const store = useSite();
const openSite = useOpenSite();

/** An empty choice would be shown as none. */
const nowhere = '-';
const wanted = reactive<
  Omit<NewNetworkCamera, 'deviceId' | 'recordedAt' | 'replaced'> & {
    deviceId: string;
    recordedAt: NewNetworkCamera['recordedAt'];
    replaced: NewNetworkCamera['replaced'];
  }
>({
  name: '',
  placeName: '',
  target: targetClasses[0],
  state: 'planned',
  deviceId: nowhere,
  recordedAt: undefined,
  replaced: undefined,
  lead: { medium: 'category', lengthM: 10 },
});
const problems = ref<string[]>([]);
const states: { value: NetworkCamera['state']; label: string }[] = [
  { value: 'planned', label: 'A new view' },
  { value: 'there', label: 'There already' },
];
const switches = computed(() => [
  { value: nowhere, label: 'Not known yet' },
  ...(network?.topology.devices ?? [])
    .filter(({ kind }) => leadsTo(wanted.lead.medium).includes(kind))
    .map(({ id, name }) => ({ value: id, label: name })),
]);
const media = leadMedia.map((value) => ({ value, label: mediumWords[value] }));

/** By cable nothing hangs on an access point, and there is no rate of a radio. */
function over(medium: NetworkCamera['lead']['medium']): void {
  wanted.lead = { medium, lengthM: wanted.lead.lengthM };
  if (!switches.value.some(({ value }) => value === wanted.deviceId)) wanted.deviceId = nowhere;
}

function add(): void {
  problems.value = [
    ...(wanted.name.trim() ? [] : ['Name the view, such as “Turnstiles”.']),
    ...(wanted.placeName.trim() ? [] : ['Say where the camera hangs.']),
  ];
  if (problems.value.length > 0) return;
  const { deviceId, recordedAt, replaced, ...rest } = wanted;
  const isThere = rest.state === 'there';
  const changes = addNetworkCamera(
    openSite.value,
    {
      ...rest,
      lead: { ...rest.lead },
      ...(deviceId === nowhere ? {} : { deviceId }),
      ...(recordedAt && isThere ? { recordedAt: { ...recordedAt } } : {}),
      ...(replaced && isThere ? { replaced } : {}),
    },
    idMark,
  );
  problems.value = store.change(`Add the view ${wanted.name}`, changes).map(({ allowed }) => allowed);
  if (problems.value.length === 0) visible.value = false;
}
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Add a view on the network" :style="{ width: '420px' }">
    <form class="fields" @submit.prevent="add">
      <FieldRow label="View"
        ><TextField
          :value="wanted.name"
          label="View"
          placeholder="What it looks at"
          @take="(name) => (wanted.name = name)"
      /></FieldRow>
      <FieldRow label="Place"><PlaceField v-model="wanted.placeName" /></FieldRow>
      <FieldRow label="It is"
        ><PickField
          :value="wanted.state"
          :choices="states"
          label="It is"
          @take="(state) => (wanted.state = state)"
      /></FieldRow>
      <FieldRow label="Camera class"
        ><PickField
          :value="wanted.target"
          :choices="choices.target"
          label="Camera class"
          @take="(target) => (wanted.target = target)"
      /></FieldRow>
      <FieldRow label="Over"
        ><PickField :value="wanted.lead.medium" :choices="media" label="Over" @take="over"
      /></FieldRow>
      <FieldRow label="Hangs on"
        ><PickField
          :value="wanted.deviceId"
          :choices="switches"
          label="Hangs on"
          @take="(deviceId) => (wanted.deviceId = deviceId)"
      /></FieldRow>
      <FieldRow label="Length"
        ><QuantityField
          :value="wanted.lead.lengthM"
          unit="m"
          label="Length of its lead"
          :allowed="fitting('networkCamera', 'lead.lengthM')"
          @take="(lengthM) => (wanted.lead.lengthM = lengthM)"
      /></FieldRow>
      <FieldRow v-if="wanted.lead.medium === 'radio'" label="Radio rate"
        ><QuantityField
          :value="wanted.lead.rateMbps ?? null"
          unit="Mb/s"
          label="Radio rate, as the access point shows it"
          :allowed="fitting('networkCamera', 'lead.rateMbps')"
          clearable
          @take="(rateMbps) => (wanted.lead = withFields(wanted.lead, { rateMbps }))"
          @clear="wanted.lead = withFields(wanted.lead, { rateMbps: undefined })"
      /></FieldRow>
      <FieldRow v-if="wanted.state === 'there'" label="Recorded on"
        ><PickField
          :value="slotText(wanted.recordedAt)"
          :choices="slotsToday(openSite)"
          label="Recorded today on"
          @take="(slot) => (wanted.recordedAt = slotRead(slot))"
      /></FieldRow>
      <FieldRow v-if="wanted.state === 'there'" label="Then it"
        ><PickField
          :value="fateOf(wanted)"
          :choices="fates"
          label="What becomes of it"
          @take="(fate) => (wanted.replaced = fateRead(fate))"
      /></FieldRow>
      <DialogFoot :problems="problems" go="Add the view" @leave="visible = false" />
    </form>
  </Dialog>
</template>
