<script setup lang="ts">
import { computed, watch } from 'vue';
import { mediumWords, movesFor, type LoadSubject } from '#core/connect/topology';
import type { NetworkMoment, NetworkThen } from '#core/evaluate';
import { counted } from '#core/shared/labels';
import { formatQuantity } from '#core/shared/units';
import type { Load } from '#core/shared/derivation';
import LoadBar from '../../parts/LoadBar.vue';
import {
  aboutOf,
  notePlace,
  removeNetworkCamera,
  withFields,
  type NetworkCamera,
  type Place,
} from '#core/model/site';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { fitting } from '../../parts/within';
import YesNoField from '../../parts/YesNoField.vue';
import { useEvaluation } from '../../stores/evaluation';
import { useWhyPanel } from '../../stores/whyPanel';
import PickedLink from './PickedLink.vue';
import { fateOf, fateRead, fates } from './fates';
import { slotRead, slotsToday, slotText } from './slotsToday';
import { additions, type Addition } from './views';

/** What is picked in the tree, and what is wrong with the network; the worst of it first. */
const { network, moment, picked, linkLoad } = defineProps<{
  network: NetworkThen;
  moment: NetworkMoment;
  picked: string | null;
  linkLoad: ReadonlyMap<string, Load>;
}>();
const emit = defineEmits<{
  pick: [item: string | null];
  hang: [cameraId: string, deviceId: string | null];
  add: [what: Addition];
  refuse: [why: string];
  sheet: [];
}>();

const store = useSite();
const evaluation = useEvaluation();
const openSite = useOpenSite();
const kindOf = computed(() => picked?.slice(0, picked.indexOf('/')) ?? null);
const id = computed(() => picked?.slice(picked.indexOf('/') + 1) ?? '');
const device = computed(() =>
  kindOf.value === 'device' ? network.topology.devices.find((one) => one.id === id.value) : undefined,
);
const link = computed(() =>
  kindOf.value === 'link' ? network.topology.links.find((one) => one.id === id.value) : undefined,
);
const camera = computed(() =>
  kindOf.value === 'camera'
    ? network.topology.cameras.find(({ cameraId }) => cameraId === id.value)
    : undefined,
);
const failure = computed(() =>
  network.failures.find(({ of }) => of.kind === kindOf.value && of.id === id.value),
);
const numbers = computed(
  () => new Map(network.topology.cameras.map(({ cameraId, number }) => [cameraId, number])),
);
const darkens = computed(() => {
  const dark = failure.value?.cameraIds ?? [];
  if (dark.length === 0) return 'Nothing that reaches a recorder goes dark without it.';
  return `Without it ${counted(dark.length, 'camera')} ${dark.length === 1 ? 'goes' : 'go'} dark: ${dark
    .map((cameraId) => numbers.value.get(cameraId))
    .join(', ')}.`;
});
const elsewhere = computed(() =>
  camera.value
    ? movesFor(openSite.value, network.topology, camera.value).map(({ device: { id: value, name } }) => ({
        value,
        label: name,
      }))
    : [],
);
/** The camera that is picked, where it hangs on no old run. */
const networkCamera = computed(() =>
  camera.value ? openSite.value.networkCamera[camera.value.cameraId] : undefined,
);
function setNetworkCamera(what: string, fields: Partial<NetworkCamera>): void {
  const { id: cameraId } = networkCamera.value!;
  const set = withFields(networkCamera.value!, fields);
  const [problem] = store.change(`${what} of camera ${camera.value!.number}`, [
    { kind: 'networkCamera', id: cameraId, set },
  ]);
  if (problem) emit('refuse', `That cannot be: ${problem.allowed}.`);
}
const setLead = (fields: { lengthM?: number; rateMbps?: number | undefined }): void =>
  setNetworkCamera('Lead', { lead: withFields(networkCamera.value!.lead, fields) });
function removeCamera(): void {
  const { cameraId, number } = camera.value!;
  const removal = removeNetworkCamera(openSite.value, cameraId);
  if (removal.kind === 'in-use') emit('refuse', `Still needed by ${removal.by.join(', ')}. It stays.`);
  else store.change(`Remove the view of camera ${number}`, removal.changes);
}
/** What a camera of the network sends and takes; nobody has to note what its class has. */
const networkFigures = [
  { field: 'mbps', label: 'Sends', unit: 'Mb/s' },
  { field: 'megapixels', label: 'Picture', unit: 'MP' },
  { field: 'portWatts', label: 'Port gives', unit: 'W' },
] as const;
/** Where a device stands that is noted or planned: without mains there nothing runs. */
const devicePlace = computed(() => (device.value ? openSite.value.place[device.value.placeId] : undefined));
function setPlace(fields: Partial<Place>): void {
  const { id: placeId, name } = devicePlace.value!;
  store.change(`Mains at ${name}`, [
    { kind: 'place', id: placeId, set: notePlace(devicePlace.value!, fields) },
  ]);
}
const why = useWhyPanel();
/** Shows how a load was reached; it follows the site as it changes. */
const ask = (load: LoadSubject): void => why.ask({ kind: 'load', at: moment, load });
const deviceLoads = computed(
  () => network.devices.find(({ deviceId }) => deviceId === device.value?.id)?.loads ?? [],
);
/** What leads from the device that is picked to others, for keys too: a stroke cannot have the focus. */
const deviceLinks = computed(() =>
  network.topology.links.filter(
    ({ fromId, toId }) => device.value && [fromId, toId].includes(device.value.id),
  ),
);
watch([() => picked, () => moment], () => why.close());
const costs = computed(() => {
  const total = evaluation.result?.total;
  if (!total) return '';
  const { currency } = aboutOf(openSite.value);
  const money = (amount: number): string => `${formatQuantity(amount, 'money')} ${currency}`;
  return `Planned network ${money(total.network.cost)}, all that is chosen and planned ${money(total.cost)}`;
});
/** A piece of gear that is noted, where it is looked at in Survey. */
const noted = computed(() =>
  device.value && openSite.value.equipment[device.value.id] ? device.value.id : null,
);
const worst = computed(() => network.findings[0]);
</script>

<template>
  <div class="foot">
    <section v-if="worst" class="finding" role="status">
      <p>
        <b>{{ worst.message }}</b> {{ worst.remedy }}
      </p>
      <p v-if="network.findings.length > 1" class="dim tiny">
        and {{ counted(network.findings.length - 1, 'other finding') }}, under Failures
      </p>
    </section>
    <p v-else class="dim sound">Nothing is wrong with the network at this moment.</p>
    <section v-if="device" class="picked" aria-label="Picked">
      <b>{{ device.name }}</b>
      <button type="button" class="btn small" @click="emit('sheet')">Its sheet <kbd>i</kbd></button>
      <button
        v-for="load in deviceLoads"
        :key="load.label"
        type="button"
        class="plain load"
        @click="ask({ of: 'device', id: device.id, label: load.label })"
      >
        {{ load.label }} <LoadBar :load="load" :digits="0" /> <span class="ask">why</span>
      </button>
      <span>{{ darkens }}</span>
      <button
        v-for="one in deviceLinks"
        :key="one.id"
        type="button"
        class="plain link"
        @click="emit('pick', `link/${one.id}`)"
      >
        {{ one.name }}
      </button>
      <RouterLink
        v-if="noted"
        :to="{
          name: 'survey',
          params: $route.params,
          query: { view: 'head-end', thing: `equipment/${noted}` },
        }"
        >Its figures</RouterLink
      >
      <span v-if="devicePlace" class="field"
        >Mains at {{ devicePlace.name }}
        <YesNoField
          :value="devicePlace.mains"
          :label="`Mains at ${devicePlace.name}`"
          @take="(mains) => setPlace({ mains })"
      /></span>
    </section>
    <PickedLink
      v-else-if="link"
      :link="link"
      :load="linkLoad.get(link.id)"
      :darkens="darkens"
      @why="ask({ of: 'link', id: link.id })"
      @sheet="emit('sheet')"
    />
    <section v-else-if="camera" class="picked" aria-label="Picked">
      <b>{{ camera.number }} {{ camera.name }}</b>
      <span class="dim">{{ mediumWords[camera.medium] }}</span>
      <template v-if="elsewhere.length > 0">
        <span class="field"
          >Hangs on
          <PickField
            :value="camera.deviceId ?? ''"
            :choices="elsewhere"
            :label="`Device of camera ${camera.number}`"
            @take="(deviceId) => emit('hang', camera!.cameraId, deviceId)"
        /></span>
        <button
          v-if="camera.isPinned && !networkCamera"
          type="button"
          class="btn small"
          @click="emit('hang', camera.cameraId, null)"
        >
          Let it be given one
        </button>
      </template>
      <template v-if="networkCamera">
        <span class="field"
          >Lead
          <QuantityField
            :value="networkCamera.lead.lengthM"
            unit="m"
            :label="`Lead of camera ${camera.number}`"
            :allowed="fitting('networkCamera', 'lead.lengthM')"
            @take="(lengthM) => setLead({ lengthM })"
        /></span>
        <span v-if="networkCamera.lead.medium === 'radio'" class="field" title="As the access point shows it"
          >Radio rate
          <QuantityField
            :value="networkCamera.lead.rateMbps ?? null"
            unit="Mb/s"
            :label="`Radio rate of camera ${camera.number}`"
            :allowed="fitting('networkCamera', 'lead.rateMbps')"
            clearable
            @take="(rateMbps) => setLead({ rateMbps })"
            @clear="setLead({ rateMbps: undefined })"
        /></span>
        <span v-if="networkCamera.state === 'there'" class="field"
          >Recorded today on
          <PickField
            :value="slotText(networkCamera.recordedAt)"
            :choices="slotsToday(openSite)"
            :label="`Slot of camera ${camera.number} today`"
            @take="(slot) => setNetworkCamera('Slot today', { recordedAt: slotRead(slot) })"
        /></span>
        <span v-if="networkCamera.state === 'there'" class="field"
          >Then it
          <PickField
            :value="fateOf(networkCamera)"
            :choices="fates"
            :label="`What becomes of camera ${camera.number}`"
            @take="(fate) => setNetworkCamera('What becomes', { replaced: fateRead(fate) })"
        /></span>
        <span v-for="figure in networkFigures" :key="figure.field" class="field"
          >{{ figure.label }}{{ networkCamera.replaced ? ' today' : '' }}
          <QuantityField
            :value="networkCamera[figure.field] ?? null"
            :unit="figure.unit"
            :label="`${figure.label} of camera ${camera.number}`"
            :allowed="fitting('networkCamera', figure.field)"
            placeholder="by class"
            clearable
            @take="(value) => setNetworkCamera(figure.label, { [figure.field]: value })"
            @clear="setNetworkCamera(figure.label, { [figure.field]: undefined })"
        /></span>
        <button type="button" class="btn small" @click="removeCamera">Remove the view</button>
      </template>
      <RouterLink
        v-else-if="camera.runId"
        :to="{ query: { ...$route.query, view: 'hook-up' }, params: { runId: camera.runId } }"
        >Hook-up</RouterLink
      >
    </section>
    <p v-else class="dim tiny">
      Click a box, a stroke or a camera; drag a camera to another box of its kind.
    </p>
    <div class="row last">
      <span class="dim tiny costs">{{ costs }}</span>
      <span class="push" />
      <button
        v-for="one in additions"
        :key="one.what"
        type="button"
        class="btn small"
        @click="emit('add', one.what)"
      >
        {{ one.label }} <kbd>{{ one.key }}</kbd>
      </button>
    </div>
  </div>
</template>

<style scoped src="./picked.css"></style>

<style scoped>
.foot {
  flex: none;
  display: grid;
  gap: 6px;
  padding-top: 8px;
  border-top: 1px solid var(--rule);
  min-height: 84px;
}
.finding {
  padding: 6px 12px;
  border-left: 3px solid var(--madder);
  background: var(--sheet);
}
.last {
  flex-wrap: wrap;
  gap: 6px;
}
.field {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
/* Room for the words where nothing is noted. */
.field :deep(.quantity) {
  width: 130px;
}
</style>
