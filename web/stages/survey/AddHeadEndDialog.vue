<script setup lang="ts">
import { familyOfKind, ipSlotsField } from '#core/model/slotRules';
import Dialog from 'primevue/dialog';
import { computed, reactive, ref, watch } from 'vue';
import {
  addEquipment,
  addRecorder,
  addSupply,
  gearKinds,
  type GearKind,
  type NewRecorder,
  type NewSupply,
} from '#core/model/site';
import DialogFoot from '../../parts/DialogFoot.vue';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';
import { choices } from '#core/model/labels';
import { fitting } from '../../parts/within';
import { useSite } from '../../stores/site';
import { idMark } from '../../stores/idMark';

/** Notes a recorder, a supply box or other gear, so that runs can be patched and fed. */
const visible = defineModel<boolean>('visible', { required: true });
const emit = defineEmits<{ added: [thing: { kind: 'recorder' | 'supply' | 'equipment'; id: string }] }>();
const store = useSite();

const what = ref<'recorder' | 'supply' | GearKind>('recorder');
const recorder = reactive<Omit<NewRecorder, 'name' | 'placeId'>>({
  inputs: 16,
  rules: 'highest-first',
  ipSlots: 8,
  bestFormat: 'hd1080',
  incomingMbps: 128,
  slotMegapixels: 8,
});
const supply = reactive<Omit<NewSupply, 'name' | 'placeId'>>({
  current: 'dc',
  setVolts: 12.6,
  ratedAmps: 5,
  outputs: 9,
  fuseAmps: 1.1,
});
/** Typed once, whatever it turns out to be. */
const name = ref('');
const placeId = ref('');
const family = computed(() => familyOfKind(recorder.rules));
/** The one count that such rules ask for; presets say themselves how many IP slots there are. */
const ipSlots = computed(() => family.value.fields.find((field) => field.kind === 'count'));
const problems = ref<string[]>([]);
const places = computed(() =>
  Object.values(store.site?.place ?? {}).map(({ id, name }) => ({ value: id, label: name })),
);
const headEnd = computed(
  () =>
    Object.values(store.site?.place ?? {}).find(({ role }) => role === 'head-end')?.id ??
    places.value[0]?.value ??
    '',
);

const kinds: { value: 'recorder' | 'supply' | GearKind; label: string }[] = [
  { value: 'recorder', label: 'Recorder' },
  { value: 'supply', label: 'Supply box' },
  ...choices.gear.filter(({ value }) => gearKinds.includes(value)),
];

/** Closed by Escape, what was typed is there again the next time; only adding it or cancelling clears the form. */
const kept = ref(false);
watch(
  () => store.id,
  () => {
    kept.value = false;
  },
);
watch(visible, (shown) => {
  if (!shown) return;
  problems.value = [];
  if (!kept.value) [name.value, placeId.value] = ['', headEnd.value];
  kept.value = true;
});
function leave(): void {
  kept.value = false;
  visible.value = false;
}

function add(): void {
  const called = { name: name.value.trim(), placeId: placeId.value };
  if (!called.name || !store.site) {
    problems.value = ['Give it a name that is written on it or that people use.'];
    return;
  }
  const change =
    what.value === 'recorder'
      ? addRecorder(store.site, { ...recorder, ...called }, idMark)
      : what.value === 'supply'
        ? addSupply(store.site, { ...supply, ...called }, idMark)
        : addEquipment(store.site, what.value, called.name, called.placeId, idMark);
  problems.value = store
    .change(`Add ${called.name}`, [change])
    .map(({ path, allowed }) => `${path.split('/').at(-1)}: ${allowed}`);
  if (problems.value.length > 0) return;
  leave();
  emit('added', {
    kind: what.value === 'recorder' || what.value === 'supply' ? what.value : 'equipment',
    id: change.id,
  });
}
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Add head-end equipment" :style="{ width: '460px' }">
    <form class="form" @submit.prevent="add">
      <FieldRow label="It is a"
        ><PickField :value="what" :choices="kinds" label="It is a" @take="(value) => (what = value)"
      /></FieldRow>
      <FieldRow label="Name"
        ><TextField :value="name" label="Name" autofocus @take="(text) => (name = text)"
      /></FieldRow>
      <FieldRow label="Place"
        ><PickField :value="placeId" :choices="places" label="Place" @take="(value) => (placeId = value)"
      /></FieldRow>
      <template v-if="what === 'recorder'">
        <FieldRow v-if="family.takesCoax" label="Inputs"
          ><QuantityField
            :value="recorder.inputs"
            unit=""
            label="Inputs"
            :allowed="fitting('recorder', 'inputs')"
            @take="(value) => (recorder.inputs = value)"
        /></FieldRow>
        <FieldRow label="Rule"
          ><PickField
            :value="recorder.rules"
            :choices="choices.slotRules"
            label="Rule"
            @take="(value) => (recorder.rules = value)"
        /></FieldRow>
        <FieldRow v-if="ipSlots" :label="ipSlots.label"
          ><QuantityField
            :value="recorder.ipSlots"
            unit=""
            :label="ipSlots.label"
            :allowed="fitting('recorder', ipSlotsField(recorder.rules))"
            @take="(value) => (recorder.ipSlots = value)"
        /></FieldRow>
        <FieldRow v-if="family.takesCoax" label="Inputs take up to"
          ><PickField
            :value="recorder.bestFormat"
            :choices="choices.format"
            label="Inputs take up to"
            @take="(value) => (recorder.bestFormat = value)"
        /></FieldRow>
        <FieldRow label="Total incoming bandwidth"
          ><QuantityField
            :value="recorder.incomingMbps"
            unit="Mb/s"
            label="Total incoming bandwidth"
            :allowed="fitting('recorder', 'limits.incomingMbps')"
            @take="(value) => (recorder.incomingMbps = value)"
        /></FieldRow>
        <FieldRow label="Max. resolution per channel"
          ><QuantityField
            :value="recorder.slotMegapixels"
            unit="MP"
            label="Max. resolution per channel"
            :allowed="fitting('recorder', 'limits.slotMegapixels')"
            @take="(value) => (recorder.slotMegapixels = value)"
        /></FieldRow>
      </template>
      <template v-else-if="what === 'supply'">
        <FieldRow label="Rail">
          <PickField
            :value="supply.current"
            :choices="choices.current"
            label="DC or AC"
            @take="(value) => (supply.current = value)"
          />
          <QuantityField
            :value="supply.setVolts"
            unit="V"
            label="Volts"
            :allowed="fitting('supply', 'setVolts')"
            @take="(value) => (supply.setVolts = value)"
          />
        </FieldRow>
        <FieldRow label="Rated"
          ><QuantityField
            :value="supply.ratedAmps"
            unit="A"
            label="Rated amps"
            :allowed="fitting('supply', 'ratedAmps')"
            @take="(value) => (supply.ratedAmps = value)"
        /></FieldRow>
        <FieldRow label="Outputs">
          <QuantityField
            :value="supply.outputs"
            unit=""
            label="Outputs"
            :allowed="fitting('supply', 'outputs.number')"
            @take="(value) => (supply.outputs = value)"
          />
          <span class="dim">fuse</span>
          <QuantityField
            :value="supply.fuseAmps"
            unit="A"
            label="Fuse of each output"
            :allowed="fitting('supply', 'outputs.fuseAmps')"
            @take="(value) => (supply.fuseAmps = value)"
          />
        </FieldRow>
      </template>
      <p v-else class="dim tiny">It is noted with usual figures, to be put right in its sheet.</p>
      <DialogFoot :problems="problems" go="Add" @leave="leave" />
    </form>
  </Dialog>
</template>

<style scoped>
.form {
  display: grid;
  gap: 6px;
}
</style>
